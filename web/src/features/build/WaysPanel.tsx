import { BUILD_WORDS, type BuildWays, type Edit, type Forgotten, type Rig } from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { PanelGroup } from '../../ui/parts/PanelGroup';

const LABELS: Readonly<Record<keyof BuildWays, string>> = {
  joints: 'Plugs',
  strand: 'Core',
  dcEnds: 'DC cables',
  lanes: 'Audio and power',
  change: 'Tied',
  spares: 'Spares',
};

const WORDS: Readonly<Record<string, string>> = {
  soldered: 'soldered',
  screwOn: 'screwed on',
  stranded: 'stranded',
  solid: 'solid',
  newAtSupply: 'new end at the supply',
  asBought: 'as bought',
  together: 'in one lane',
  apart: 'in lanes apart',
  fixed: 'for good',
  modular: 'to come out again',
  none: 'none',
  oneEach: 'one of each kind',
  halfMore: 'half as much again',
  twice: 'twice',
};

interface Props {
  readonly rig: Rig;
  readonly forgotten: readonly Forgotten[];
  readonly onEdit: (edit: Edit) => void;
}

/** How this workshop builds, and what is easily forgotten. */
export function WaysPanel({ rig, forgotten, onEdit }: Props) {
  const { ways } = rig.build;
  return (
    <>
      <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600, lineHeight: 1.2 }}>
        How it is built
      </Typography>
      {(Object.keys(LABELS) as (keyof BuildWays)[]).map((key) => (
        <ChoiceField
          key={key}
          label={LABELS[key]}
          value={ways[key]}
          options={BUILD_WORDS[key].map((word) => [word, WORDS[word]!] as const)}
          onChange={(to) => onEdit({ kind: 'assign', field: 'ways', to: { ...ways, [key]: to } })}
        />
      ))}
      <PanelGroup title="Easily forgotten">
        {forgotten.length === 0 && (
          <Typography variant="body2">Nothing: every jack that wants a cable has one.</Typography>
        )}
        <Box component="ul" sx={{ m: 0, pl: 2, fontSize: 14 }}>
          {forgotten.map(({ says, isMust }) => (
            <Box component="li" key={says} sx={{ fontWeight: isMust ? 600 : 400 }}>
              {says}
            </Box>
          ))}
        </Box>
      </PanelGroup>
      <Typography variant="body2" sx={{ mt: 1.5, color: 'text.secondary' }}>
        Never an instrument cable between amplifier and loudspeaker. Mains parts and tube amplifiers
        stay closed: that is for a qualified technician.
      </Typography>
    </>
  );
}
