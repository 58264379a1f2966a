export * from './body';
export * from './device';
export * from './destination';
export * from './fittings';
export * from './gearItem';
export * from './guitar';
export * from './cable';
export * from './sourced';
