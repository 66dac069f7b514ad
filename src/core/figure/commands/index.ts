export * from './frame';
export * from './paint';
export * from './rounds';
export * from './shapes';
export * from './transform';
export * from './slit';
export * from './underlay';
