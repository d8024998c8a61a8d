export * from './catalogue';
export * from './facts';
export { canLikelyDecodeInHardware } from './hardware-decode';
