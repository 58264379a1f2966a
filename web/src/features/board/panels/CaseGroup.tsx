import { bodyOf, findDevice, resized, type Case, type Edit, type Rig } from '@gullwind/core';
import { Button } from '@mui/material';
import { useMemo } from 'react';
import { CaseLines } from '../../../ui/parts/PlaceLines';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { PartFields, type FieldsOf } from '../../../ui/parts/PartFields';
import type { PartActions } from '../../../ui/parts/partActions';
import type { PanelProps } from '../panelProps';

const CASE_FIELDS: FieldsOf<'device'> = [
  ['body.widthM', 'Width'],
  ['body.depthM', 'Depth'],
  ['body.heightM', 'Height'],
  ['body.massKg', 'Mass'],
];

/** The case, as it is in this rig. */
export function CaseGroup({ rig, units, actions, id }: PanelProps & { id: string }) {
  const device = findDevice(rig, id);
  const fixture = rig.layout.fixtures.find((one) => one.id === id);
  const owner = device ?? fixture;
  const part = useMemo(
    (): PartActions => ({
      edit: (edit) => actions.edit(owner ? withResized(rig, owner.id, edit) : edit),
    }),
    [actions, rig, owner],
  );
  if (!owner) return null;
  const { body } = owner;
  if (!body) return <SayCase rig={rig} actions={actions} id={id} />;
  const of = device ? 'device' : 'fixture';
  return (
    <PanelGroup title="Case">
      <PartFields
        part={owner}
        of={of}
        id={id}
        fields={CASE_FIELDS as never}
        units={units}
        assumedFrom="a case of the usual size"
        actions={part}
      />
      <CaseLines
        kind={of}
        body={body}
        units={units}
        onChange={(to) => actions.edit(withCase(rig, id, to))}
      />
    </PanelGroup>
  );
}

/** Of an assumed case: its values, to be set right. */
function SayCase({ rig, actions, id }: Pick<PanelProps, 'rig' | 'actions'> & { id: string }) {
  const device = findDevice(rig, id)!;
  const to = { ...device, body: bodyOf(device) };
  return (
    <Button
      size="small"
      sx={{ mt: 1 }}
      onClick={() => actions.edit({ kind: 'replace', part: { of: 'device', to } })}
    >
      Say its size and jacks
    </Button>
  );
}

/** Some of the case of a device or a fixture. */
function withCase(rig: Rig, id: string, to: Partial<Case>): Edit {
  const device = findDevice(rig, id);
  if (device?.body)
    return {
      kind: 'replace',
      part: { of: 'device', to: { ...device, body: { ...device.body, ...to } } },
    };
  const at = rig.layout.fixtures.findIndex((one) => one.id === id);
  const fixture = rig.layout.fixtures[at]!;
  const insert = [{ ...fixture, body: { ...fixture.body, ...to } }];
  return { kind: 'list', of: 'fixtures', at, remove: 1, insert };
}

/** Of a case that nobody has measured, jacks and switches move with its size. */
function withResized(rig: Rig, id: string, edit: Edit): Edit {
  if (edit.kind !== 'set') return edit;
  const size = edit.field.replace('body.', '');
  if (size !== 'widthM' && size !== 'depthM') return edit;
  const body = findDevice(rig, id)?.body ?? rig.layout.fixtures.find((one) => one.id === id)?.body;
  return body?.placesFrom === 'assumed'
    ? withCase(rig, id, resized<Case>(body, { [size]: edit.to }))
    : edit;
}
