export * from './frame';
export * from './groups';
export * from './paint';
export * from './rounds';
export * from './shapes';
export * from './slit';
export * from './transform';
export * from './underlay';
