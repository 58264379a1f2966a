import { conductorM, formatQuantity, CABLE_CLASSES, type Cable } from '@gullwind/core';
import { FormControlLabel, Switch, Typography } from '@mui/material';
import { memo } from 'react';
import type { FieldsProps } from './partActions';
import { PanelGroup } from './PanelGroup';
import { PartFields } from './PartFields';

export const sayCable = ({ cableClass }: Cable): string =>
  `${CABLE_CLASSES[cableClass].label} cable`;

/** Length, and what a metre of it is. */
export function CableFields({ cable, units, actions }: FieldsProps & { readonly cable: Cable }) {
  const { id } = cable;
  const shared = {
    part: cable,
    of: 'cable',
    id,
    units,
    assumedFrom: sayCable(cable),
    actions,
  } as const;
  const totalF =
    cable.cPerMF.value * conductorM(cable) +
    2 * cable.plugF.value +
    (cable.added ? cable.addedF.value : 0);
  return (
    <>
      <PanelGroup title="Cable">
        <PartFields
          {...shared}
          fields={[
            ['lengthM', cable.coil.value > 1 ? 'Reach' : 'Length'],
            ['cPerMF', 'Capacitance'],
            ['plugF', 'Each plug'],
            ['rPerMOhm', 'Resistance'],
            ['lPerMH', 'Inductance'],
            ['coil', 'Conductor per reach'],
          ]}
        />
        <AddedSwitch id={id} added={cable.added} actions={actions} />
        {cable.added && <PartFields {...shared} fields={[['addedF', 'Its capacitance']]} />}
        <Typography variant="body2" sx={{ mt: 0.5, color: 'text.secondary' }}>
          With both plugs: {formatQuantity(totalF, 'capacitance', units)}
        </Typography>
      </PanelGroup>
    </>
  );
}

/** Drawn again only when it is switched. */
const AddedSwitch = memo(function AddedSwitch({
  id,
  added,
  actions,
}: Pick<FieldsProps, 'actions'> & { readonly id: string; readonly added: boolean }) {
  const target = { of: 'cable', id } as const;
  return (
    <FormControlLabel
      label="A capacitor switched in"
      slotProps={{ typography: { variant: 'body2' } }}
      control={
        <Switch
          size="small"
          checked={added}
          onChange={(event) =>
            actions.edit({ kind: 'choose', target, field: 'added', to: event.target.checked })
          }
        />
      }
    />
  );
});
