import type { ChannelCounts } from '../api/types';

/** Borders of drive groups at which the dashes turn weaker or stronger. */
export function densityWords(steps: ChannelCounts['densitySteps']): string {
  return steps
    .map(
      (step) =>
        `turns ${step.after < step.before ? 'weaker' : 'stronger'} at the border of drive groups ${step.group} and ${step.group + 1} of ${step.of}`,
    )
    .join('; ');
}

/** What a channel's outage looks like, when it looks like wiring. */
export function groupWords(counts: ChannelCounts | undefined): string[] {
  const found = [];
  if (counts?.filledGroups) {
    const { first, count, of } = counts.filledGroups;
    found.push(
      count === 1
        ? `fills drive group ${first} of ${of} exactly`
        : `fills drive groups ${first} to ${first + count - 1} of ${of} exactly`,
    );
  }
  if (counts && counts.densitySteps.length > 0) {
    found.push(densityWords(counts.densitySteps));
  }
  return found;
}
