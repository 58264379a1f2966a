export * from './circuit';
export * from './figures';
export * from './gear';
export * from './path';
export * from './quantity';
export * from './rig';
