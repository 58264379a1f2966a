import { api } from '../api';
import type { AppStore } from '../store';
import { hearChanges } from './changeFeed';
import { TAGS, tagsOf } from './tags';

/** What others change is asked for again wherever it is shown. */
export function followChanges({ dispatch }: AppStore): void {
  hearChanges((news) => {
    const tags = news === null ? TAGS : news.flatMap(({ subject }) => tagsOf(subject));
    dispatch(api.util.invalidateTags([...new Set(tags)]));
  });
}
