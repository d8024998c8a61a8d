export * from './catalogue';
export * from './facts';
export * from './program-percent';
