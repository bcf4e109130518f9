import { Box, Button, Dialog, DialogContent, IconButton, Stack, Typography } from '@mui/material';
import { useColorScheme, useTheme } from '@mui/material/styles';
import {
  Beaker,
  Calculator,
  CalendarClock,
  CircleUserRound,
  LogOut,
  MoonStar,
  PackagePlus,
  Scale,
  Sun,
  UsersRound,
  Waves,
} from 'lucide-react';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { Link, NavLink, useLocation } from 'react-router';
import { useSession } from '../account/session';
import { ClockStrip } from '../bench/ClockStrip';
import { word } from '../words/words';
import { ReachStrip } from './ReachStrip';
import { Loading } from './states';
import { TagField } from './TagField';

// A device of one's own never needs it.
const ChangeOver = lazy(() =>
  import('../account/ChangeOver').then(({ ChangeOver }) => ({ default: ChangeOver })),
);

/** The frame around every view: the rope with the way home, the tag field, and who is at the screen. */
export function Shell({ children }: { children: ReactNode }) {
  const { person, mayWrite, signOut } = useSession();
  const [isChanging, setChanging] = useState(false);
  // A phone in a clamp has room for the step in hand alone.
  const isLed = useLocation().pathname.endsWith('/run');
  return (
    <Box sx={{ minHeight: '100vh', pb: { xs: isLed ? 0 : 9, md: 0 } }}>
      <Button
        href="#work"
        variant="contained"
        onClick={(event) => {
          event.preventDefault();
          document.querySelector<HTMLElement>('main h1, main')?.focus();
        }}
        sx={{ position: 'absolute', left: 8, top: -100, zIndex: 20, '&:focus': { top: 8 } }}
      >
        Skip to the work
      </Button>
      <Stack
        component="header"
        direction="row"
        sx={{
          display: { xs: isLed ? 'none' : 'flex', md: 'flex' },
          alignItems: 'center',
          gap: { xs: 1, xl: 2 },
          px: { xs: 1.5, md: 3 },
          pt: 1,
          flexWrap: 'wrap',
        }}
      >
        <Typography
          component={Link}
          to="/"
          sx={{
            color: 'text.primary',
            textDecoration: 'none',
            fontWeight: 800,
            fontSize: '1.375rem',
            letterSpacing: '-0.01em',
            minHeight: 48,
            display: 'flex',
            alignItems: 'center',
          }}
        >
          Undo Knot
        </Typography>
        <Stack
          component="nav"
          aria-label="Main"
          direction="row"
          sx={{ gap: 1, display: { xs: 'none', md: 'flex' } }}
        >
          <Way to="/" icon={<Waves aria-hidden />} label="Bench" />
          {mayWrite && <Way to="/take-in" icon={<PackagePlus aria-hidden />} label="Take in" />}
          <Way to="/day" icon={<CalendarClock aria-hidden />} label="Day" />
          <Way to="/shelf" icon={<Beaker aria-hidden />} label="Shelf" />
          <Way to="/sums" icon={<Calculator aria-hidden />} label="Sums" />
          <Way to="/house-rules" icon={<Scale aria-hidden />} label="House rules" />
        </Stack>
        <TagField />
        <Box sx={{ flex: 1 }} />
        <Typography
          component={Link}
          to="/me"
          sx={{
            display: { xs: 'none', lg: 'flex' },
            alignItems: 'center',
            minHeight: 48,
            color: 'text.primary',
            textUnderlineOffset: 4,
          }}
        >
          {person.displayName}
          <Box component="span" sx={{ display: { xs: 'none', xl: 'inline' } }}>
            , {word('role', person.role)}
          </Box>
        </Typography>
        <IconButton
          component={Link}
          to="/me"
          aria-label="Your units and password"
          sx={{ display: { xs: 'inline-flex', lg: 'none' } }}
        >
          <CircleUserRound />
        </IconButton>
        <SchemeButton />
        {person.tablet && (
          <IconButton aria-label="Change over" title="Change over" onClick={() => setChanging(true)}>
            <UsersRound />
          </IconButton>
        )}
        <IconButton aria-label="Sign out" onClick={signOut}>
          <LogOut />
        </IconButton>
      </Stack>
      {isChanging && (
        <Dialog open onClose={() => setChanging(false)} fullWidth maxWidth="xs" aria-labelledby="change-over">
          <DialogContent>
            <Typography id="change-over" variant="h2" sx={{ mb: 2 }}>
              Who is here?
            </Typography>
            <Suspense fallback={<Loading what="who works here" />}>
              {/* What was typed is kept as a draft of the one who typed it. */}
              <ChangeOver done={() => window.location.reload()} />
            </Suspense>
          </DialogContent>
        </Dialog>
      )}
      <Rope />
      <ReachStrip />
      <ClockStrip />
      <Box component="main" id="work" tabIndex={-1} sx={{ outline: 'none' }}>
        {children}
      </Box>
      <Stack
        component="nav"
        aria-label="Main"
        direction="row"
        sx={{
          display: { xs: isLed ? 'none' : 'flex', md: 'none' },
          position: 'fixed',
          bottom: 0,
          left: 0,
          right: 0,
          bgcolor: 'background.paper',
          borderTop: '2px solid',
          borderColor: 'line',
          justifyContent: 'space-around',
          py: 0.5,
          zIndex: 10,
        }}
      >
        <Way to="/" icon={<Waves aria-hidden />} label="Bench" />
        {mayWrite && <Way to="/take-in" icon={<PackagePlus aria-hidden />} label="Take in" />}
        <Way to="/day" icon={<CalendarClock aria-hidden />} label="Day" />
        <Way to="/shelf" icon={<Beaker aria-hidden />} label="Shelf" />
        <Way to="/sums" icon={<Calculator aria-hidden />} label="Sums" />
        <Way to="/house-rules" icon={<Scale aria-hidden />} label="House rules" />
      </Stack>
    </Box>
  );
}

function Way({ to, icon, label }: { to: string; icon: ReactNode; label: string }) {
  return (
    <Button
      component={NavLink}
      to={to}
      end={to === '/'}
      startIcon={icon}
      sx={{
        color: 'text.primary',
        px: { xs: 0.75, md: 1.5 },
        // Along the foot of a phone the picture stands above the word.
        flexDirection: { xs: 'column', md: 'row' },
        lineHeight: { xs: 1.2, md: 1.75 },
        // Short of a wide screen the words alone keep the head of the page in one line.
        '& .MuiButton-startIcon': { mr: { xs: 0, md: 1 }, display: { md: 'none', xl: 'inherit' } },
        '&.active': { boxShadow: (t) => `inset 0 -4px 0 ${t.vars.palette.thread}`, borderRadius: 0 },
      }}
    >
      {label}
    </Button>
  );
}

/** Light or dark by one tap; until then the system decides. */
function SchemeButton() {
  const { mode, systemMode, setMode } = useColorScheme();
  const isDark = (mode === 'system' ? systemMode : mode) === 'dark';
  return (
    <IconButton
      aria-label={isDark ? 'Show light' : 'Show dark'}
      onClick={() => setMode(isDark ? 'light' : 'dark')}
    >
      {isDark ? <Sun /> : <MoonStar />}
    </IconButton>
  );
}

/** The rope that runs under the head of every view, with the knot that gave the product its name, half undone. */
function Rope() {
  const { vars } = useTheme();
  return (
    <Box aria-hidden sx={{ lineHeight: 0, mt: 0.5, display: 'flex' }}>
      <svg
        height="22"
        width="190"
        viewBox="0 -11 190 22"
        fill="none"
        stroke={vars.palette.thread}
        strokeWidth="3"
        strokeLinecap="round"
      >
        <path d="M0 0H58C74 0 76-9 90-9C104-9 106 4 94 7C84 9 80 2 88-3C96-8 106 0 124 0H190" />
      </svg>
      <Box sx={{ flex: 1, height: 3, bgcolor: 'thread', mt: '9.5px' }} />
    </Box>
  );
}
