import { VISION_MATRICES, VISIONS, type Vision } from '@retoque/core';

const GREY = [0.2126, 0.7152, 0.0722];
const matrixOf = (vision: Vision): readonly number[] =>
  vision === 'grey' ? [...GREY, ...GREY, ...GREY] : VISION_MATRICES[vision];

/** Rows of four colours and an offset, as SVG wants them. */
const values = (vision: Vision): string => {
  const m = matrixOf(vision);
  const row = (i: number) => `${m.slice(i, i + 3).join(' ')} 0 0`;
  return `${row(0)} ${row(3)} ${row(6)} 0 0 0 1 0`;
};

/** The filters that frames refer to; the same matrices as the checks are worked out with. */
const VisionFilters = () => (
  <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
    {VISIONS.map((vision) => (
      <filter key={vision} id={`seen-${vision}`} colorInterpolationFilters="linearRGB">
        <feColorMatrix type="matrix" values={values(vision)} />
      </filter>
    ))}
  </svg>
);

export default VisionFilters;
