import { Scrolls } from '../app/Scrolls';
import type { AlignPass } from '../api/types';

const COLUMN = 96;
const TOP = 26;
const PLOT = 150;
const LEFT = 36;

/**
 * The passes of an alignment, a column a position: how its step went from pass to pass. The band is what counts as settled:
 * one step about the centre, or about the pass before.
 */
export function PassPicture({ passes }: { passes: AlignPass[] }) {
  const { scale } = passes[passes.length - 1];
  const like = passes.filter((p) => p.scale.positions === scale.positions);
  const y = (step: number) => TOP + PLOT - ((step - scale.least) / (scale.most - scale.least)) * PLOT;
  const x = (position: number, pass: number) =>
    LEFT + position * COLUMN + 14 + (like.length === 1 ? 34 : (pass / (like.length - 1)) * 68);
  const about = (position: number) =>
    scale.recentres || like.length < 2 ? scale.centre : like[like.length - 2].best[position];
  const width = LEFT + scale.positions * COLUMN + 4;
  const height = TOP + PLOT + 30;
  const clamp = (step: number) => Math.max(scale.least, Math.min(scale.most, step));
  return (
    <Scrolls label="Picture of the passes">
      <svg
        role="img"
        aria-label={`Passes: ${like.map((p, i) => `pass ${i + 1}, ${p.best.join(' ')}`).join('; ')}`}
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        style={{ maxWidth: '100%', minWidth: Math.min(width, 460), height: 'auto' }}
      >
        {[scale.least, scale.centre, scale.most].map((step) => (
          <text key={step} x={LEFT - 8} y={y(step) + 5} textAnchor="end" fontSize={16} fill="currentColor">
            {step}
          </text>
        ))}
        {Array.from({ length: scale.positions }, (_, position) => {
          const isSettled = Math.abs(like[like.length - 1].best[position] - about(position)) <= 1;
          const points = like.map((p, i) => `${x(position, i)},${y(p.best[position])}`).join(' ');
          return (
            <g key={position}>
              <text
                x={LEFT + position * COLUMN + 48}
                y={TOP - 10}
                textAnchor="middle"
                fontSize={16}
                fill="currentColor"
              >
                {position + 1}
              </text>
              <rect
                x={LEFT + position * COLUMN + 2}
                width={COLUMN - 6}
                y={y(clamp(about(position) + 1))}
                height={y(clamp(about(position) - 1)) - y(clamp(about(position) + 1))}
                fill="currentColor"
                opacity={0.12}
              />
              <line
                x1={LEFT + position * COLUMN + 2}
                x2={LEFT + position * COLUMN + COLUMN - 4}
                y1={y(scale.centre)}
                y2={y(scale.centre)}
                stroke="currentColor"
                strokeDasharray="2 5"
              />
              <polyline points={points} fill="none" stroke="currentColor" strokeWidth={2} />
              {like.map((p, i) => (
                <circle
                  key={p.id}
                  cx={x(position, i)}
                  cy={y(p.best[position])}
                  r={i === like.length - 1 ? 7 : 4}
                  fill="currentColor"
                />
              ))}
              <text
                x={LEFT + position * COLUMN + 48}
                y={TOP + PLOT + 22}
                textAnchor="middle"
                fontSize={16}
                fontWeight={700}
                fill="currentColor"
              >
                {isSettled && (scale.recentres || like.length > 1)
                  ? 'settled'
                  : like.length > 1 || scale.recentres
                    ? 'moves'
                    : ''}
              </text>
            </g>
          );
        })}
      </svg>
    </Scrolls>
  );
}
