/** What can be wrong with a proxy. */
export const proxyFaultCodes = [
  'length-differs',
  'frame-count-differs',
  'times-differ',
  'aspect-differs',
  'rotation-differs',
  'sound-missing',
  'sound-channels-differ',
  'sound-length-differs',
  'few-key-frames',
  'picture-frozen',
  'picture-shifted',
  'picture-mirrored',
  'picture-turned',
  'picture-range-differs',
  'picture-other',
] as const;
export type ProxyFaultCode = (typeof proxyFaultCodes)[number];
