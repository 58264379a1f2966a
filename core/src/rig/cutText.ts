const letters = new Intl.Segmenter('en', { granularity: 'grapheme' });

/** A text no longer than `most` UTF-16 units with its ending, cut between whole characters as people see them. */
export function cutText(text: string, most: number, ending = ''): string {
  const room = most - ending.length;
  if (text.length <= room) return text + ending;
  let kept = '';
  for (const { segment } of letters.segment(text)) {
    if (kept.length + segment.length > room) break;
    kept += segment;
  }
  return kept.trimEnd() + ending;
}
