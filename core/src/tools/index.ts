export { fitLead } from './leadFit';
export type { LeadFit, LeadReading } from './leadFit';
export { capacitanceFor, capacitanceOf, keepLikedLead } from './capacitance';
export type { CapacitanceAnswer, LikedLead, LikedLeadAnswer } from './capacitance';
export { pickupOrLead, sweepSources } from './sourceSweep';
export type { SweptSource, WhatIf } from './sourceSweep';
export { standInFor } from './standIn';
export type { StandIn } from './standIn';
