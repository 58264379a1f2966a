/// Whoever is shown and takes pictures that are dropped onto the window.

type Taker = (picture: File) => void;

let taker: Taker | null = null;

/** Takes pictures until the function that it gives is called. */
export function takePictures(take: Taker): () => void {
  taker = take;
  return () => {
    if (taker === take) taker = null;
  };
}

/** @returns whether somebody takes it */
export function offerPicture(file: File): boolean {
  if (!file.type.startsWith('image/') || !taker) return false;
  taker(file);
  return true;
}
