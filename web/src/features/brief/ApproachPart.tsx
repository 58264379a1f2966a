import { APPROACH_WORDS, FIELD_RULES, type ApproachKind } from '@gullwind/core';
import { Box, Radio, RadioGroup, styled, Typography } from '@mui/material';
import { QuantityField } from '../../ui/QuantityField';
import type { BriefPartProps } from './briefPart';
import { Part } from './Part';

/** How the player thinks about buffers and loss: every school in its own words. */
export function ApproachPart({ rig, units, edit }: BriefPartProps) {
  const { approach } = rig.electrical;
  return (
    <Part title="Approach" hint="None is right by itself.">
      <RadioGroup
        aria-label="Approach"
        value={approach.kind}
        onChange={(_event, to) =>
          edit({ kind: 'choose', target: { of: 'approach' }, field: 'kind', to })
        }
      >
        {Object.entries(APPROACH_WORDS).map(([kind, { name, says }]) => (
          <School key={kind} className={kind === approach.kind ? 'chosen' : undefined}>
            <Radio size="small" value={kind} sx={{ p: 0.5 }} />
            <span>
              <strong>{name}</strong> {says}
            </span>
          </School>
        ))}
      </RadioGroup>
      {approach.kind === ('shaped' satisfies ApproachKind) && (
        <QuantityField
          rule={FIELD_RULES.approach.wantedHz}
          value={approach.wantedHz}
          units={units}
          assumedFrom="the shaped approach"
          onChange={(to) =>
            edit({ kind: 'set', target: { of: 'approach' }, field: 'wantedHz', to })
          }
        />
      )}
      <Box sx={{ mt: 1 }}>
        <Typography component="h3" variant="h2">
          Straight in means
        </Typography>
        {(['lengthM', 'cPerMF'] as const).map((field) => (
          <QuantityField
            key={field}
            rule={FIELD_RULES.reference[field]}
            value={rig.electrical.reference[field]}
            units={units}
            assumedFrom="the usual reference"
            onChange={(to) => edit({ kind: 'set', target: { of: 'reference' }, field, to })}
          />
        ))}
      </Box>
    </Part>
  );
}

const School = styled('label')(({ theme }) => ({
  display: 'flex',
  alignItems: 'flex-start',
  gap: 4,
  padding: '3px 4px 3px 0',
  borderTop: `1px solid ${theme.chart.grid}`,
  fontSize: 14,
  lineHeight: 1.35,
  cursor: 'pointer',
  '& strong': { display: 'block', fontSize: 15 },
  '&.chosen': { background: theme.palette.background.paper },
}));
