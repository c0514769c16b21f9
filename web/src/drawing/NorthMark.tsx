import { upAzimuth } from './scale';

/** Which way is north on the page: an arrow and its letter. */
export function NorthMark({ x, y, headingDeg }: { x: number; y: number; headingDeg: number }) {
  const turn = -upAzimuth(headingDeg);
  const letter = (turn * Math.PI) / 180;
  return (
    <g
      transform={`translate(${x} ${y})`}
      role="img"
      aria-label={`North is turned ${Math.round(((turn % 360) + 360) % 360)}° from up`}
    >
      <g transform={`rotate(${turn})`}>
        <path d="M0 9V-9M-3.5 -4L0 -9L3.5 -4" fill="none" stroke="var(--ink)" strokeWidth={1.3} />
      </g>
      <text
        x={Math.sin(letter) * 17}
        y={-Math.cos(letter) * 17 + 4}
        textAnchor="middle"
        fontSize={11}
        fill="var(--ink)"
      >
        N
      </text>
    </g>
  );
}
