import quantize from '@lokesh.dhakar/quantize';

/** Pixels that are nearly transparent have no colour of their own. */
const OPAQUE = 200;

type Triple = [number, number, number];

/** Median cut over the pixels of a picture: its main colours as hex. */
self.onmessage = ({ data }: MessageEvent<{ pixels: Uint8ClampedArray; colours: number }>) => {
  const { pixels, colours } = data;
  const list: Triple[] = [];
  for (let i = 0; i < pixels.length; i += 4)
    if (pixels[i + 3]! >= OPAQUE) list.push([pixels[i]!, pixels[i + 1]!, pixels[i + 2]!]);
  const found = list.length ? quantize(list, colours) : false;
  const palette: Triple[] = found ? found.palette() : [];
  const hex = palette.map((rgb) => `#${rgb.map((channel) => channel.toString(16).padStart(2, '0')).join('')}`);
  self.postMessage([...new Set(hex)]);
};
