export * from './catalogue';
export * from './facts';
