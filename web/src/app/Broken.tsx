import { Button, Stack, Typography } from '@mui/material';
import { Component, type ReactNode } from 'react';

/** When a view breaks: say so, and offer the way back. What was typed is kept as a draft. */
export class Broken extends Component<{ children: ReactNode }, { isBroken: boolean }> {
  state = { isBroken: false };

  static getDerivedStateFromError() {
    return { isBroken: true };
  }

  render() {
    if (!this.state.isBroken) {
      return this.props.children;
    }
    return (
      <Stack spacing={2} sx={{ p: 4, maxWidth: 560 }}>
        <Typography variant="h1">This view broke</Typography>
        <Typography>
          What was logged is on the server, and what you were typing is kept as a draft.
        </Typography>
        <Button variant="contained" onClick={() => window.location.assign('/')}>
          Back to the bench
        </Button>
      </Stack>
    );
  }
}
