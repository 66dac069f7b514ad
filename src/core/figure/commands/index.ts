export * from './paint';
export * from './rounds';
export * from './shapes';
