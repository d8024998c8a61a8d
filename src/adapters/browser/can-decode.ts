/** Whether this browser decodes a codec (RFC 6381), in whatever way. Never rejects. */
export async function canDecode(codec: string): Promise<boolean> {
  if (typeof VideoDecoder === 'undefined') return false;
  try {
    return (await VideoDecoder.isConfigSupported({ codec })).supported === true;
  } catch {
    // Not even the name is known.
    return false;
  }
}
