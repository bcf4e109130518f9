import { tooth, type Letter } from './comb';

/** The sign of a state: a tooth under a piece of the comb's back. */
export function ToothSign({ letter, size = 24 }: { letter: Letter; size?: number }) {
  return (
    <svg
      aria-hidden
      width={size}
      height={size}
      viewBox="0 0 24 24"
      fill="none"
      stroke="currentColor"
      strokeLinecap="butt"
    >
      <path d="M3 4H21" strokeWidth={4} />
      {letter === 'M' ? (
        <path d="M9 12l6 6m0-6l-6 6" strokeWidth={1.5} opacity={0.75} />
      ) : (
        <path
          d={tooth(letter, 12, 5, 17, 6, 1)}
          strokeWidth={4}
          strokeDasharray={letter === 'U' ? '2.5 3' : undefined}
        />
      )}
    </svg>
  );
}
