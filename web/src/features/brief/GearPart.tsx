import {
  addAmpLoop,
  addGuitar,
  DESTINATION_KINDS,
  mainRow,
  PICKUP_CLASSES,
  removeGuitar,
  removeRows,
  replaceDestination,
  type Guitar,
  type RigItem,
} from '@gullwind/core';
import Add from '@mui/icons-material/Add';
import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { GuitarArrival } from '../../ui/parts/GuitarArrival';
import { GearPicker } from '../picker';
import type { BriefPartProps } from './briefPart';
import { Part } from './Part';

type Asked =
  { readonly kind: 'guitar'; readonly id: string | null } | { readonly kind: 'destination' } | null;

/** Guitars, how the first one arrives, the amp and whether its loop is used. */
export function GearPart({ rig, edit }: BriefPartProps) {
  const [asked, setAsked] = useState<Asked>(null);
  const amp = rig.electrical.destinations[0]!;
  const pick = (item: RigItem) => {
    setAsked(null);
    if (item.kind === 'guitar' && asked?.kind === 'guitar') {
      const to: Guitar = { ...item.thing, id: asked.id ?? '' };
      edit(
        asked.id === null
          ? addGuitar(rig, to, 'cable')
          : { kind: 'replace', part: { of: 'guitar', to } },
      );
    }
    if (item.kind === 'destination') edit(replaceDestination(rig, amp.id, item.thing));
  };
  return (
    <Part title="Guitar and amp" hint="from the gear list, or by class">
      <Box
        sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, columnGap: 4 }}
      >
        <Guitars rig={rig} edit={edit} onAsk={setAsked} />
        <Amp rig={rig} edit={edit} onAsk={setAsked} />
      </Box>
      {asked && (
        <GearPicker
          kind={asked.kind}
          title={titleOf(asked)}
          onClose={() => setAsked(null)}
          onPick={pick}
        />
      )}
      {mainRow(rig).cables.includes(null) && (
        <Typography variant="body2" sx={{ color: 'warning.main' }}>
          A cable is missing: see the Path.
        </Typography>
      )}
    </Part>
  );
}

const titleOf = (asked: NonNullable<Asked>): string => {
  if (asked.kind === 'destination') return 'Another amp or DI instead';
  return asked.id === null ? 'Which guitar comes in too?' : 'Another guitar instead';
};

interface SideProps extends Pick<BriefPartProps, 'rig' | 'edit'> {
  /** Opens the gear list. */
  readonly onAsk: (asked: Asked) => void;
}

function Guitars({ rig, edit, onAsk }: SideProps) {
  return (
    <Box>
      {rig.electrical.guitars.map((guitar, i) => (
        <Box key={guitar.id}>
          <Line
            name={guitar.name}
            detail={
              guitar.kind === 'magnetic' ? PICKUP_CLASSES[guitar.pickupClass].label : guitar.kind
            }
            change={i === 0 ? 'Another guitar instead' : `Another instead of ${guitar.name}`}
            onChange={() => onAsk({ kind: 'guitar', id: guitar.id })}
            {...(i === 0 ? {} : { onRemove: () => edit(removeGuitar(rig, guitar.id)) })}
          />
          <GuitarArrival
            rig={rig}
            guitarId={guitar.id}
            {...(rig.electrical.guitars.length > 1 && { label: `${guitar.name} arrives by` })}
            edit={edit}
          />
        </Box>
      ))}
      <Button size="small" startIcon={<Add />} onClick={() => onAsk({ kind: 'guitar', id: null })}>
        One more guitar
      </Button>
    </Box>
  );
}

function Amp({ rig, edit, onAsk }: SideProps) {
  const amp = rig.electrical.destinations[0]!;
  const loop = rig.electrical.rows.find(
    ({ at }) => at.kind === 'ampLoop' && at.destination === amp.id,
  );
  return (
    <Box>
      <Line
        name={amp.name}
        detail={DESTINATION_KINDS[amp.kind].label}
        change="Another amp instead"
        onChange={() => onAsk({ kind: 'destination' })}
      />
      {amp.kind === 'amp' && (
        <ChoiceField
          label="Its effects loop"
          value={loop ? 'used' : 'unused'}
          options={[
            ['unused', 'is not used'],
            ['used', 'is used'],
          ]}
          onChange={(to) =>
            edit(
              to === 'used'
                ? addAmpLoop(rig, amp.id)
                : { kind: 'group', edits: removeRows(rig, loop ? [loop] : []) },
            )
          }
        />
      )}
      {loop && loop.devices.length > 0 && (
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          In the loop: {loop.devices.map(({ name }) => name).join(', ')}. Without it they go.
        </Typography>
      )}
    </Box>
  );
}

interface LineProps {
  readonly name: string;
  readonly detail: string;
  readonly change: string;
  readonly onChange: () => void;
  readonly onRemove?: () => void;
}

function Line({ name, detail, change, onChange, onRemove }: LineProps) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 32 }}>
      <Typography sx={{ flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}>
        {name} <span style={{ opacity: 0.75 }}>· {detail}</span>
      </Typography>
      <Button size="small" aria-label={change} title={change} onClick={onChange}>
        Change
      </Button>
      {onRemove && (
        <Button size="small" color="inherit" aria-label={`Delete ${name}`} onClick={onRemove}>
          Delete
        </Button>
      )}
    </Box>
  );
}
