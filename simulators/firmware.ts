// Stand-in for makers' firmware files: small images whose content depends on model, part and version alone.

/** A made-up image: a readable head, then noise that is the same every time. */
export function firmwareImage(model: string, part: string, version: string, size = 4096): Uint8Array {
  const head = new TextEncoder().encode(`FENIMAGE ${model} ${part} ${version}\0`);
  const image = new Uint8Array(Math.max(size, head.length));
  let state = [...`${model}/${part}/${version}`].reduce(
    (sum, c) => (Math.imul(sum, 31) + c.charCodeAt(0)) >>> 0,
    7,
  );
  for (let at = 0; at < image.length; at++) {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    image[at] = state >>> 24;
  }
  image.set(head);
  return image;
}

/** The name such a file is given. */
export const imageName = (model: string, part: string, version: string): string =>
  `${model}-${part}-${version}.img`.toLowerCase().replaceAll(" ", "");
