import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { Plan } from '../api/types';
import { percent } from '../diagnosis/judgement';
import { minutesWords } from '../flow/units';
import { word } from '../words/words';

const HEIGHT = 200;
const THREAD_Y = 140;
const DONE_Y = 40;
const LEAST = 96;
const PICTURED = 8;

/** A wait of a night must not hide a quarter of an hour of hands: lengths grow with the root of the minutes. */
function length(minutes: number): number {
  return 5 * Math.sqrt(minutes);
}

/**
 * The plan as a thread in time: hands solid, waits dotted, a branch up to the finish after each check, as thick as it is
 * likely that it comes to it.
 */
export function PlanPicture({ plan }: { plan: Plan }) {
  const { vars } = useTheme();
  const attempts = plan.attempts.slice(0, PICTURED);
  const spans = attempts.map((a) => ({
    hands: length(a.hands.value),
    waits: length(a.waits.value),
    width: Math.max(LEAST, length(a.hands.value) + length(a.waits.value)),
  }));
  const starts = spans.map((_, i) => 20 + spans.slice(0, i).reduce((sum, s) => sum + s.width, 0));
  const end = 20 + spans.reduce((sum, s) => sum + s.width, 0);
  const width = end + 100;
  const thick = (share: number) => 2 + 10 * share;
  const ink = vars.palette.text.primary;
  const said = attempts.map(
    (a) =>
      `${a.number} ${word('method', a.method)} ${a.channels.join(', ')}: hands ${minutesWords(a.hands.value)}, waits ${minutesWords(a.waits.value)}, ${percent(a.chance.value)} that it suffices, ${percent(a.reached)} that it comes to it`,
  );
  return (
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="group" aria-label="Picture of time">
      <svg
        role="img"
        aria-label={said.join('; ')}
        width={Math.max(width, 640)}
        height={HEIGHT}
        viewBox={`0 0 ${Math.max(width, 640)} ${HEIGHT}`}
        fontSize="16"
        fill={ink}
      >
        <line
          x1="20"
          x2={Math.max(width, 640)}
          y1={DONE_Y}
          y2={DONE_Y}
          stroke={vars.palette.line}
          strokeWidth="3"
        />
        <text x="20" y={DONE_Y - 12}>
          accepted: page, check, done
        </text>
        {attempts.map((attempt, i) => {
          const x = starts[i];
          const { hands, width: span } = spans[i];
          const next = x + span;
          const reached = attempt.reached;
          const out = reached * attempt.chance.value;
          return (
            <g key={attempt.number}>
              <line
                x1={x}
                x2={x + Math.min(hands, span)}
                y1={THREAD_Y}
                y2={THREAD_Y}
                stroke={vars.palette.thread}
                strokeWidth={thick(reached)}
              />
              <line
                x1={x + Math.min(hands, span)}
                x2={next}
                y1={THREAD_Y}
                y2={THREAD_Y}
                stroke={vars.palette.thread}
                strokeWidth={thick(reached)}
                strokeLinecap="round"
                strokeDasharray="1 12"
              />
              <path
                d={`M${next} ${THREAD_Y}C${next + 24} ${THREAD_Y} ${next - 4} ${DONE_Y} ${next + 26} ${DONE_Y}`}
                fill="none"
                stroke={vars.palette.primary.main}
                strokeWidth={thick(out)}
              />
              <text x={next + 18} y={(THREAD_Y + DONE_Y) / 2 + 14}>
                {percent(attempt.chance.value)}
              </text>
              <circle
                cx={x}
                cy={THREAD_Y}
                r="11"
                fill={vars.palette.background.paper}
                stroke={ink}
                strokeWidth="2"
              />
              <text x={x} y={THREAD_Y + 5} textAnchor="middle">
                {attempt.number}
              </text>
              <text x={x - 8} y={THREAD_Y + 32}>
                {minutesWords(attempt.hands.value)}
              </text>
              {attempt.waits.value > 5 && (
                <text x={x - 8} y={THREAD_Y + 50} fill={vars.palette.text.secondary}>
                  +{minutesWords(attempt.waits.value)}
                </text>
              )}
            </g>
          );
        })}
        <circle cx={end} cy={THREAD_Y} r="5" fill={vars.palette.thread} />
        {plan.attempts.length > PICTURED && (
          <text x={end + 12} y={THREAD_Y + 5}>
            {plan.attempts.length - PICTURED} more
          </text>
        )}
      </svg>
    </Box>
  );
}
