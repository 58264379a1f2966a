export {
  addSupply,
  behindOf,
  changeFeed,
  hang,
  removeSupply,
  tradeSupply,
  unhang,
} from './feedEdits';
export type { Hanging } from './feedEdits';
