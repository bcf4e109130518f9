import { useCallback, useEffect, useRef, useState } from 'react';

/**
 * The browser's own speech, off until somebody turns it on; it says again what stands on the screen. `say` leaves out what was said
 * last, so that a page that is drawn anew does not repeat itself.
 */
export function useVoice(person: string) {
  const key = `voice-${person}`;
  const isThere = 'speechSynthesis' in window;
  const [isOn, setOn] = useState(() => isThere && localStorage.getItem(key) === 'on');
  const said = useRef('');
  const say = useCallback(
    (text: string) => {
      if (!isOn || text === '' || text === said.current) {
        return;
      }
      said.current = text;
      window.speechSynthesis.cancel();
      const words = new SpeechSynthesisUtterance(text);
      words.lang = 'en-GB';
      window.speechSynthesis.speak(words);
    },
    [isOn],
  );
  useEffect(() => () => void (isThere && window.speechSynthesis.cancel()), [isThere]);
  return {
    isThere,
    isOn,
    say,
    toggle: () => {
      localStorage.setItem(key, isOn ? 'off' : 'on');
      setOn(!isOn);
      said.current = '';
    },
  };
}

export type Voice = ReturnType<typeof useVoice>;

/** A text that is said when it changes. */
export function useSaid(voice: Voice, text: string): void {
  const { say } = voice;
  useEffect(() => say(text), [say, text]);
}

/** The last seconds of a stroke, one after the other, and its end. */
export function countOf(running: number, planned: number): string {
  const left = Math.ceil(planned - running);
  return left <= 0 ? 'stop' : left <= 3 ? String(left) : '';
}
