import { Button, Typography } from '@mui/material';
import { Camera } from 'lucide-react';
import { useRef, useState } from 'react';
import { Problem } from '../api/http';
import type { useWrite } from '../api/useWrite';
import { WriteProblem } from '../app/states';

interface Props {
  name: string;
  /** Where its photo lies, when it has one. */
  photo?: string;
  mayChange: boolean;
  sendPhoto: (file: File) => Promise<unknown>;
  back: ReturnType<typeof useWrite<void>>;
}

/** What an entry of something found offers: its photo or a way to take one, and taking it back; with what went wrong. */
export function PhotoAndBack({ name, photo, mayChange, sendPhoto, back }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string>();
  async function send(file: File | undefined) {
    if (!file) {
      return;
    }
    try {
      await sendPhoto(file);
      setProblem(undefined);
    } catch (error) {
      setProblem(
        error instanceof Problem
          ? (error.errors[0]?.message ?? error.message)
          : 'The photo could not be sent.',
      );
    }
  }
  return (
    <>
      {photo && (
        <Button href={photo} target="_blank" aria-label={`Photo of ${name}`}>
          Photo
        </Button>
      )}
      {mayChange && (
        <>
          {!photo && (
            <Button
              startIcon={<Camera />}
              onClick={() => input.current?.click()}
              aria-label={`Add a photo to ${name}`}
            >
              Photo
            </Button>
          )}
          <input
            ref={input}
            type="file"
            accept="image/png,image/jpeg"
            capture="environment"
            hidden
            aria-label={`Photo file for ${name}`}
            onChange={(event) => void send(event.target.files?.[0])}
          />
          <Button onClick={() => back.send(undefined)} loading={back.isBusy} aria-label={`Take back ${name}`}>
            Take back
          </Button>
        </>
      )}
      {problem && (
        <Typography role="alert" color="error">
          {problem}
        </Typography>
      )}
      <WriteProblem problem={back.problem} />
    </>
  );
}
