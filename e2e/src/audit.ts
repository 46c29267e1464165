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
  const { violations } = await page.evaluate(
    ([only, where]) =>
      (window as unknown as { axe: { run: (where: string, options: object) => Promise<AxeResults> } }).axe.run(where, {
        resultTypes: ['violations'],
        ...(only ? { runOnly: ['color-contrast'] } : { rules: { 'target-size': { enabled: true } } }),
      }),
    [colours, within] as const,
  )
  return violations.flatMap(({ id, help, nodes }) =>
    nodes.map(({ target, any }) => `${id} (${help}): ${target.join(' ')} ${any[0]?.message ?? ''}`),
  )
}
