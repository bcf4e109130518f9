import { Box, Button, Stack, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useEffect, useState } from 'react';
import type { SignedIn } from '../api/types';
import { ChangeOver } from './ChangeOver';
import { FirstAccount } from './FirstAccount';
import SignInForm from './SignInForm';

/** The password of the demo accounts as ./start prints it; a shop of its own has other accounts. */
const DEMO_PASSWORD = 'quay-lantern';

export default function SignInPage({
  demoAccounts,
  isEmpty,
  tablet,
  done,
}: {
  demoAccounts: string[];
  isEmpty: boolean;
  /** Name of the trusted tablet that this is, where it is one. */
  tablet?: string;
  done: (person: SignedIn) => void;
}) {
  const [account, setAccount] = useState('');
  const [byPassword, setByPassword] = useState(false);
  useEffect(() => {
    document.title = 'Sign in · Undo Knot';
  }, []);
  return (
    <Box
      component="main"
      sx={{ minHeight: '100vh', display: 'grid', alignContent: 'center', justifyItems: 'center', p: 2 }}
    >
      <KnotPicture />
      <Box
        sx={{
          width: '100%',
          maxWidth: 440,
          bgcolor: 'background.paper',
          p: { xs: 2.5, sm: 4 },
          borderRadius: 1,
        }}
      >
        <Typography variant="h1">Undo Knot</Typography>
        <Typography color="text.secondary" sx={{ mb: 3 }}>
          The bench for clogged and failed printheads
        </Typography>
        {isEmpty ? (
          <FirstAccount
            done={(person) => {
              done(person);
              // The shop's name, money and hours come next.
              window.location.assign('/set-up');
            }}
          />
        ) : tablet && !byPassword ? (
          <Stack spacing={2}>
            <Typography sx={{ fontWeight: 650 }}>{tablet}: who is here?</Typography>
            <ChangeOver done={done} />
            <Button onClick={() => setByPassword(true)}>Sign in with a password</Button>
          </Stack>
        ) : (
          <SignInForm key={account} name={account} password={account ? DEMO_PASSWORD : ''} done={done} />
        )}
        {demoAccounts.length > 0 && (
          <Box sx={{ mt: 3 }}>
            <Typography sx={{ mb: 1 }}>
              This is the demo. Take one of its accounts; the password is {DEMO_PASSWORD}.
            </Typography>
            <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
              {demoAccounts.map((name) => (
                <Button key={name} variant="outlined" onClick={() => setAccount(name)}>
                  {name}
                </Button>
              ))}
            </Stack>
          </Box>
        )}
      </Box>
    </Box>
  );
}

function KnotPicture() {
  const { vars } = useTheme();
  return (
    <Box aria-hidden sx={{ width: '100%', maxWidth: 760, lineHeight: 0, mb: -1 }}>
      <svg
        viewBox="0 0 760 150"
        width="100%"
        fill="none"
        stroke={vars.palette.thread}
        strokeWidth="7"
        strokeLinecap="round"
      >
        <path d="M4 110H230C310 110 320 40 390 40C450 40 460 112 405 122C362 129 340 96 380 70C420 46 470 110 560 110H700" />
        <path d="M700 110c18-3 26-12 40-20M700 110c18 0 28-3 46-4M700 110c16 3 26 9 40 16" strokeWidth="4" />
        <path d="M40 118v18M60 118v18M80 118v9M100 118v18M120 118v18M140 118v18" strokeWidth="5" />
      </svg>
    </Box>
  );
}
