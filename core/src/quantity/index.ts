export { movePoint, powerOfTen } from './decimal';
export { QUANTITY_RULES, METRES_PER_FOOT } from './quantity';
export type { Quantity, UnitSystem } from './quantity';
export { parseQuantity } from './parseQuantity';
export {
  formatForEditing,
  formatNumber,
  formatQuantity,
  formatStripLength,
  formatSignedDb,
} from './formatQuantity';
