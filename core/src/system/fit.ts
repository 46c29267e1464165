/** Size of a drawing's letters. */
const TEXT = 11
/** mean breadth of a letter of the drawing's face, as a share of its size; a little over, so that nothing runs out of its box */
const LETTER = 0.56

/** A text cut to a breadth, with an ellipsis where it had to be. */
export function fitted(text: string, width: number, size = TEXT): string {
  const most = Math.floor(width / (size * LETTER))
  return text.length <= most ? text : `${text.slice(0, Math.max(1, most - 1)).trimEnd()}…`
}

/** A text over so many lines of a breadth at most, the last cut where it had to be. */
export function broken(text: string, width: number, most: number): string[] {
  const lines: string[] = []
  let rest = text
  while (rest && lines.length < most) {
    const cut = lines.length === most - 1 ? fitted(rest, width) : wholeWords(rest, width)
    lines.push(cut.trim())
    rest = cut === rest || lines.length === most ? '' : rest.slice(cut.length)
  }
  return lines
}
function wholeWords(text: string, width: number): string {
  const most = Math.floor(width / (TEXT * LETTER))
  if (text.length <= most) return text
  const space = text.lastIndexOf(' ', most)
  return text.slice(0, space > 0 ? space + 1 : most)
}
