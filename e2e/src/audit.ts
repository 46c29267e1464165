import axe, { type AxeResults } from 'axe-core'
import type { Page } from 'playwright-core'

/**
 * What axe finds wrong on a page as it stands, of any grade, with the size of targets: one line for each element, so
 * that a test that fails says what to mend.
 *
 * @param colours only what a theme decides: the same page in another theme has the same structure
 * @param within what of the page is looked at, by selector: all of it, but where the rest was looked at before
 */
export async function audit(page: Page, { colours = false, within = 'html' } = {}): Promise<string[]> {
  // the page allows no script but its own: this one comes from outside of it, once a page
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  const look = (selectors: boolean) =>
    page.evaluate(
      ([where, options]) =>
        (window as unknown as { axe: { run: (where: string, options: object) => Promise<AxeResults> } }).axe.run(
          where,
          options,
        ),
      [
        within,
        {
          resultTypes: ['violations'],
          selectors,
          ...(colours ? { runOnly: ['color-contrast'] } : { rules: { 'target-size': { enabled: true } } }),
        },
      ] as const,
    )
  // to name all elements takes a tenth of it, and mostly there is none to be named
  const found = await look(false)
  const { violations } = found.violations.length > 0 ? await look(true) : found
  return violations.flatMap(({ id, help, nodes }) =>
    nodes.map(({ target, any }) => `${id} (${help}): ${target.join(' ')} ${any[0]?.message ?? ''}`),
  )
}
