declare module '@lokesh.dhakar/quantize' {
  type Triple = [number, number, number];
  /** Modified median cut; false where there is nothing to cut. */
  export default function quantize(pixels: Triple[], colours: number): { palette(): Triple[] } | false;
}
