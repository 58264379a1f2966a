import type { Progress, TimeLeft } from '@gullwind/core';
import { Box, Typography, useTheme } from '@mui/material';

interface Props {
  readonly progress: Progress;
  readonly time: TimeLeft;
}

const hours = (minutes: number): string => {
  const whole = Math.floor(minutes / 60);
  const rest = Math.round(minutes - whole * 60);
  return whole === 0 ? `${rest} min` : `${whole} h ${rest} min`;
};

/** The work as a ruler of hours: what is done, what is left, and where now is. */
export function HourRuler({ progress, time }: Props) {
  const { chart } = useTheme();
  const { steps, doneMinutes, leftMinutes } = progress;
  const total = Math.max(1, doneMinutes + leftMinutes);
  let at = 0;
  return (
    <Box component="section" aria-label="Hours" sx={{ px: 2.5, pb: 1 }}>
      <svg width="100%" height={34} viewBox="0 0 1000 34" preserveAspectRatio="none" aria-hidden>
        <line
          x1={0}
          x2={1000}
          y1={20}
          y2={20}
          stroke={chart.ink}
          strokeWidth={1.2}
          vectorEffect="non-scaling-stroke"
        />
        {steps.map(({ step, isDone }) => {
          const x = (1000 * at) / total;
          const width = (1000 * step.minutes) / total;
          at += step.minutes;
          return (
            <rect
              key={step.id}
              x={x}
              y={10}
              width={Math.max(0.5, width - 1)}
              height={20}
              fill={isDone ? chart.sea : 'none'}
              stroke={chart.sea}
              strokeWidth={1}
              vectorEffect="non-scaling-stroke"
            />
          );
        })}
        {Array.from({ length: Math.floor(total / 60) }, (_, i) => (
          <line
            key={i}
            x1={(1000 * 60 * (i + 1)) / total}
            x2={(1000 * 60 * (i + 1)) / total}
            y1={2}
            y2={34}
            stroke={chart.ink}
            strokeWidth={1.6}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      <Typography variant="body2" data-testid="hours">
        {sayHours(progress, time)}
      </Typography>
    </Box>
  );
}

function sayHours({ steps, doneMinutes, leftMinutes }: Progress, time: TimeLeft): string {
  const done = steps.filter(({ isDone }) => isDone).length;
  const words = [
    `${done} of ${steps.length} steps`,
    `${hours(leftMinutes)} left`,
    `${hours(doneMinutes)} done`,
  ];
  if (time.dueIn !== null) words.push(sayWhenDue(time.dueIn));
  if (time.minutes !== null)
    words.push(
      time.isEnough
        ? `${hours(time.minutes)} of work until then: enough`
        : `only ${hours(time.minutes)} of work until then${sayShort(time)}`,
    );
  return `${words.join(' · ')}.`;
}

/** What to leave out, what remains undone even so, and when that would be ready. */
function sayShort({ leaveOut, missingMinutes, readyIn, dueIn }: TimeLeft): string {
  const without = leaveOut.map(({ says }) => says.toLowerCase()).join(', ');
  const words = without === '' ? '' : `; leave out: ${without}`;
  if (missingMinutes === 0) return words;
  const when = readyIn === null ? '' : `: ready ${sayWhenDue(dueIn! - readyIn)}`;
  return `${words}; ${hours(missingMinutes)} remain${without === '' ? '' : ' even so'}${when}`;
}

/** As the list of rigs says it. @param days from today, negative where it is over */
function sayWhenDue(days: number): string {
  const count = `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'}`;
  if (days < 0) return `${count} late`;
  return days === 0 ? 'due today' : `due in ${count}`;
}
