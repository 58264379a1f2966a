export { assignOutlets, assignToEnd, editOfAssignment } from './assign';
export type { AssignProgress } from './assign';
export type { Assignment, AssignGoal } from './search';
export { doublerAmps, newParts, partsOfFeeds, pricesOf, USUAL_PRICES } from './parts';
export type { PartPrices } from './parts';
export { trySupply, whatWouldFeed, whyUnfed } from './reasons';
export type { Remedy, SupplyTrial } from './reasons';
export { compareSupplies, proposeFeeding } from './propose';
export type { CompareQuestion, FeedingProposal, FeedingQuestion } from './propose';
