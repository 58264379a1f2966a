export * from './body';
export * from './device';
export * from './end';
export * from './fittings';
export * from './gearItem';
export * from './guitar';
export * from './lead';
export * from './sourced';
