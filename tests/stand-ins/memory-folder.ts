/** A folder in memory behind the browser's own interface, as far as proxies use it. Full once `roomBytes` are taken. */
export interface MemoryFolder {
  readonly handle: FileSystemDirectoryHandle;
  readonly files: Map<string, Uint8Array>;
  roomBytes: number;
}

export function createMemoryFolder(name = 'Proxies'): MemoryFolder {
  const files = new Map<string, Uint8Array>();
  const missing = (): DOMException => new DOMException('not there', 'NotFoundError');
  const folder = { files, roomBytes: Number.POSITIVE_INFINITY };

  const createWritable = (fileName: string) => {
    let written = new Uint8Array();
    return {
      write: async (data: string | { readonly data: Uint8Array; readonly position: number }) => {
        const { data: bytes, position } =
          typeof data === 'string' ? { data: new TextEncoder().encode(data), position: 0 } : data;
        const taken = [...files.values()].reduce((sum, file) => sum + file.length, 0);
        if (taken + position + bytes.length > folder.roomBytes) throw new DOMException('full', 'QuotaExceededError');
        const longer = new Uint8Array(Math.max(written.length, position + bytes.length));
        longer.set(written);
        longer.set(bytes, position);
        written = longer;
      },
      close: async () => void files.set(fileName, written),
      abort: async () => undefined,
    };
  };
  const handle = {
    kind: 'directory',
    name,
    getFileHandle: async (fileName: string, { create = false } = {}) => {
      // A browser shows an empty file under the name until what is written to it is closed.
      if (!files.has(fileName)) {
        if (!create) throw missing();
        files.set(fileName, new Uint8Array());
      }
      return {
        kind: 'file',
        name: fileName,
        createWritable: async () => createWritable(fileName),
        getFile: async () => new File([(files.get(fileName) ?? new Uint8Array()) as Uint8Array<ArrayBuffer>], fileName),
      };
    },
    removeEntry: async (fileName: string) => {
      if (!files.delete(fileName)) throw missing();
    },
    values: async function* () {
      for (const fileName of files.keys()) yield { kind: 'file', name: fileName };
    },
  };
  return Object.assign(folder, { handle: handle as unknown as FileSystemDirectoryHandle });
}
