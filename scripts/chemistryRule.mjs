const NAMED = ':matches(BinaryExpression[operator=/^[!=]==?$/], SwitchCase) > Literal[value=/^(lfp|flooded|agm|gel)$/]'

/** A rule of the lint: what differs between chemistries stands in one table, and nothing asks which one it is. */
export default {
  meta: { name: 'ambrel' },
  rules: {
    'no-chemistry-name': {
      create: (context) => ({
        [NAMED]: (node) =>
          context.report({
            node,
            message:
              'nothing asks which chemistry it is: put what differs into CHEMISTRIES (core/src/bank/chemistry.ts)',
          }),
      }),
    },
  },
}
