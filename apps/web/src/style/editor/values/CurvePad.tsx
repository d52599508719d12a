import { printBezier, type Bezier } from '@retoque/core';
import { Play } from 'lucide-react';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';

/** In units of the drawing: the square of the curve, and the room above and below it for what overshoots. */
const SIZE = 100;
const ROOM = 30;

/** The curve of a change: its two handles are dragged or moved by arrow keys, and the change is played beside it. */
export function CurvePad({
  curve,
  millis,
  onChange,
  onSettle,
}: {
  curve: Bezier;
  millis: number;
  onChange: (curve: Bezier) => void;
  onSettle: () => void;
}) {
  const drawing = useRef<SVGSVGElement>(null);
  const ball = useRef<HTMLElement>(null);
  const { x1, y1, x2, y2 } = curve;
  const round = (value: number) => Math.round(value * 100) / 100;
  const put = (handle: 1 | 2, x: number, y: number) => {
    const [across, down] = [round(Math.max(0, Math.min(1, x))), round(Math.max(-0.3, Math.min(1.3, y)))];
    onChange(handle === 1 ? { ...curve, x1: across, y1: down } : { ...curve, x2: across, y2: down });
  };
  const toPointer = (event: PointerEvent, handle: 1 | 2) => {
    const box = drawing.current!.getBoundingClientRect();
    const scale = (SIZE + 2 * ROOM) / box.height;
    put(handle, ((event.clientX - box.left) * scale) / SIZE, (SIZE + ROOM - (event.clientY - box.top) * scale) / SIZE);
  };
  const keys = (event: KeyboardEvent, handle: 1 | 2) => {
    const by = event.shiftKey ? 0.1 : 0.01;
    const moves: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, by],
      ArrowDown: [0, -by],
    };
    const move = moves[event.key];
    if (!move) return;
    event.preventDefault();
    put(handle, (handle === 1 ? x1 : x2) + move[0], (handle === 1 ? y1 : y2) + move[1]);
  };
  const at = (x: number, y: number) => `${x * SIZE},${SIZE + ROOM - y * SIZE}`;
  const handles = [
    [1, x1, y1, 0, 0],
    [2, x2, y2, 1, 1],
  ] as const;
  const play = () =>
    ball.current?.animate([{ left: '0%' }, { left: '100%' }], {
      duration: Math.max(60, millis),
      easing: printBezier(curve),
      fill: 'forwards',
    });
  return (
    <div className="curve">
      <svg ref={drawing} viewBox={`0 0 ${SIZE} ${SIZE + 2 * ROOM}`} aria-label="Curve of the change" role="group">
        <rect x={0} y={ROOM} width={SIZE} height={SIZE} className="frame-line" />
        <path d={`M${at(0, 0)} C${at(x1, y1)} ${at(x2, y2)} ${at(1, 1)}`} className="path" />
        {handles.map(([n, x, y, fromX, fromY]) => (
          <g key={n}>
            <line
              x1={fromX * SIZE}
              y1={SIZE + ROOM - fromY * SIZE}
              x2={x * SIZE}
              y2={SIZE + ROOM - y * SIZE}
              className="arm"
            />
            <circle
              cx={x * SIZE}
              cy={SIZE + ROOM - y * SIZE}
              r={6}
              className="handle"
              role="slider"
              tabIndex={0}
              aria-label={`Handle ${n} of the curve`}
              aria-valuenow={x}
              aria-valuetext={`${x} across, ${y} up`}
              onKeyDown={(event) => keys(event, n)}
              onKeyUp={onSettle}
              onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
              onPointerMove={(event) => {
                if (event.currentTarget.hasPointerCapture(event.pointerId)) toPointer(event, n);
              }}
              onPointerUp={onSettle}
            />
          </g>
        ))}
      </svg>
      <div className="play">
        <button type="button" className="small-button" onClick={play}>
          <Play aria-hidden="true" /> Play
        </button>
        <div className="course">
          <i ref={ball} />
        </div>
        <code>{printBezier(curve)}</code>
      </div>
    </div>
  );
}
