import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { Visit } from '../api/types';

const WIDTH = 64;
const HEIGHT = 96;

/** The ports of this head in their order, as seen from the front, the one that is meant lit. */
export function PortDrawing({ visit, lit }: { visit: Visit; lit: string[] }) {
  const { vars } = useTheme();
  const { channels } = visit.family;
  const names = channels.filter((c) => lit.includes(c.code)).map((c) => c.colour);
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`Ports seen from the front: ${channels.map((c) => c.colour).join(', ')}. ${
        names.length > 0 ? `Now: ${names.join(', ')}.` : 'None is meant now.'
      }`}
      viewBox={`0 0 ${channels.length * WIDTH} ${HEIGHT}`}
      sx={{ width: '100%', maxHeight: { xs: 76, md: 92 }, display: 'block' }}
    >
      <rect
        x={4}
        y={60}
        width={channels.length * WIDTH - 8}
        height={20}
        rx={6}
        fill={vars.palette.background.default}
        stroke={vars.palette.text.secondary}
        strokeWidth={2}
      />
      {channels.map((channel, i) => {
        const isLit = lit.includes(channel.code);
        const x = i * WIDTH + WIDTH / 2;
        return (
          <g key={channel.code} data-lit={isLit}>
            <g opacity={lit.length === 0 || isLit ? 1 : 0.45}>
              {isLit && (
                <circle cx={x} cy={36} r={30} fill="none" stroke={vars.palette.thread} strokeWidth={5} />
              )}
              <rect
                x={x - 8}
                y={26}
                width={16}
                height={38}
                rx={4}
                fill={channel.ink}
                stroke={vars.palette.text.primary}
              />
              <ellipse
                cx={x}
                cy={26}
                rx={isLit ? 13 : 10}
                ry={6}
                fill={channel.ink}
                stroke={vars.palette.text.primary}
                strokeWidth={isLit ? 3 : 1}
              />
            </g>
            <text
              x={x}
              y={94}
              textAnchor="middle"
              fontSize={isLit ? 18 : 15}
              fontWeight={isLit ? 800 : 500}
              fill={vars.palette.text.primary}
            >
              {channel.code}
            </text>
          </g>
        );
      })}
    </Box>
  );
}
