import { Button } from '@mui/material';
import { Link } from 'react-router';

/** What has a page of its own; when it stands in the record, the steps go on. */
export function Elsewhere({ to, label }: { to: string; label: string }) {
  return (
    <Button
      component={Link}
      to={to}
      variant="contained"
      size="large"
      sx={{ minHeight: 88, fontSize: '1.5rem', width: '100%' }}
    >
      {label}
    </Button>
  );
}
