import { useEffect, useRef, useState } from 'react';

interface Call {
  id: string;
  says: string;
}

/** Three short tones, made here: no file is fetched for them. A browser that has no sound stays silent. */
function sound(): void {
  const Context = window.AudioContext as typeof AudioContext | undefined;
  if (!Context) {
    return;
  }
  const audio = new Context();
  [0, 0.25, 0.5].forEach((at) => {
    const tone = audio.createOscillator();
    const volume = audio.createGain();
    tone.frequency.value = 880;
    volume.gain.value = 0.2;
    tone.connect(volume).connect(audio.destination);
    tone.start(audio.currentTime + at);
    tone.stop(audio.currentTime + at + 0.15);
  });
  window.setTimeout(() => void audio.close(), 1500);
}

function call(says: string): void {
  sound();
  navigator.vibrate?.([200, 100, 200]);
  if ('Notification' in window && Notification.permission === 'granted') {
    new Notification('Undo Knot', { body: says });
  }
}

/** Calls once for every clock that comes due while the page is open (undefined: not known yet); a switch for each person on this device. */
export function useAlarm(person: string, due: Call[] | undefined) {
  const key = `alarm-${person}`;
  const [isOn, setOn] = useState(() => localStorage.getItem(key) !== 'off');
  const called = useRef<Set<string>>(undefined);
  const ids = due?.map((one) => one.id).join(' ');
  const latest = useRef(due);
  useEffect(() => {
    latest.current = due;
  });
  useEffect(() => {
    if (!latest.current) {
      return;
    }
    if (!called.current) {
      // What was due before the page came is shown, and calls nobody twice.
      called.current = new Set(latest.current.map((one) => one.id));
      return;
    }
    const fresh = latest.current.filter((one) => !called.current!.has(one.id));
    fresh.forEach((one) => called.current!.add(one.id));
    if (isOn) {
      fresh.forEach((one) => call(one.says));
    }
  }, [ids, isOn]);
  return {
    isOn,
    toggle: () => {
      localStorage.setItem(key, isOn ? 'off' : 'on');
      setOn(!isOn);
      if (!isOn && 'Notification' in window && Notification.permission === 'default') {
        void Notification.requestPermission();
      }
    },
    test: () => call('This is how a clock calls.'),
  };
}
