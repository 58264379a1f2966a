export * from './amp';
export * from './device';
export * from './gearItem';
export * from './guitar';
export * from './lead';
export * from './sourced';
