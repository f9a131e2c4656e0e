/** Files that were dropped or chosen, those in folders too, in the order of their paths. */

export async function droppedFiles(dropped: DataTransfer): Promise<File[]> {
  // Entries have to be asked for before anything is awaited: the browser empties the list after the event.
  const entries = [...dropped.items]
    .map((item) => item.webkitGetAsEntry())
    .filter((e) => e !== null);
  if (!entries.length) return [...dropped.files];
  return (await Promise.all(entries.map(within))).flat();
}

async function within(entry: FileSystemEntry): Promise<File[]> {
  if (entry.isFile)
    return [
      await new Promise<File>((resolve, reject) =>
        (entry as FileSystemFileEntry).file(resolve, reject),
      ),
    ];
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const found: FileSystemEntry[] = [];
  // A reader hands a folder out in parts, and an empty one at the end.
  for (;;) {
    const part = await new Promise<FileSystemEntry[]>((resolve, reject) =>
      reader.readEntries(resolve, reject),
    );
    if (!part.length) break;
    found.push(...part);
  }
  found.sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
  return (await Promise.all(found.filter((e) => !e.name.startsWith(".")).map(within))).flat();
}

const NO_PICTURE = /\.(txt|md|csv|json|pdf|docx?|mp3|wav|ini|db)$/i;

/** What may be a picture, a clip or a zip of some: in a folder there is often more. */
export const likelyPictures = (files: readonly File[]): File[] =>
  files.filter((f) => !f.name.startsWith(".") && !NO_PICTURE.test(f.name));
