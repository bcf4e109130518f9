import { Button, type ButtonProps } from '@mui/material';
import { KeyHint } from '../app/KeyHint';
import { usePedal } from './usePedal';

/** The one thing that is done now: as wide as the hand that reaches for it, and the pedal's. */
export function BigButton({
  does,
  hold,
  isPedal = true,
  children,
  ...rest
}: { does: () => void; hold?: () => void; isPedal?: boolean } & Omit<ButtonProps, 'onClick'>) {
  const isRead = usePedal(isPedal && !rest.disabled ? { press: does, hold } : undefined);
  return (
    <Button
      variant="contained"
      size="large"
      {...rest}
      onClick={(event) => {
        // A pedal that comes next must not press this again.
        event.currentTarget.blur();
        does();
      }}
      sx={{ minHeight: 88, fontSize: { xs: '1.5rem', md: '1.75rem' }, width: '100%' }}
    >
      {children}
      {isPedal && <KeyHint rests={!isRead}>Space</KeyHint>}
    </Button>
  );
}
