import {
  changeFeed,
  FIELD_RULES,
  findDevice,
  hang,
  placesOf,
  typicalBody,
  unhang,
  type Consumer,
  type Device,
  type Edit,
  type Feedings,
  type FedThing,
  type FeedVia,
  type PowerFault,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Button, FormControlLabel, Switch, Typography } from '@mui/material';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { NeedChoices } from '../../../ui/parts/NeedChoices';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { PartFields, type FieldsOf } from '../../../ui/parts/PartFields';
import { QuantityField } from '../../../ui/QuantityField';
import { OutletSetting } from './OutletSetting';
import { OwnFaults } from './OwnFaults';
import { sayDrop, sayOutletHead, sayWants, volts } from '../model/sayPower';

export interface PowerPanelProps {
  readonly rig: Rig;
  readonly feedings: Feedings;
  readonly faults: readonly PowerFault[];
  readonly units: UnitSystem;
  readonly onEdit: (edit: Edit) => void;
}

interface Props extends PowerPanelProps {
  readonly id: string;
}

/** One thing: what it wants, where it hangs, what arrives. */
export function FeedPanel({ id, ...panel }: Props) {
  const { rig, feedings, faults, onEdit } = panel;
  const consumer = feedings.consumers.find((one) => one.id === id);
  if (!consumer) return null;
  const thing = feedings.fed.get(id);
  const own = faults.filter((fault) => placesOf(fault).consumers.includes(id));
  const isApart = rig.power.apart.includes(id);
  return (
    <>
      <Typography component="h2" sx={{ fontSize: 19, fontWeight: 600, lineHeight: 1.2 }}>
        {consumer.name}
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {`${sayWants(consumer.need)}${consumer.isAssumed ? ' · assumed from its class' : ''}`}
      </Typography>
      <OwnFaults rig={rig} faults={own} />
      <HangsOn {...panel} consumer={consumer} thing={thing} />
      {thing && <OnItsWay {...panel} thing={thing} />}
      <Check
        label="Wants an outlet of its own"
        isOn={isApart}
        onChange={() =>
          onEdit({
            kind: 'assign',
            field: 'apart',
            to: isApart ? rig.power.apart.filter((one) => one !== id) : [...rig.power.apart, id],
          })
        }
      />
      <Wants {...panel} consumer={consumer} />
      {consumer.need.powerNote !== '' && (
        <Typography variant="body2" sx={{ mt: 1, fontStyle: 'italic' }}>
          {consumer.need.powerNote}
        </Typography>
      )}
      <Typography variant="body2" sx={{ mt: 1.5, color: 'text.secondary' }}>
        Voltage and polarity before the plug goes in: read both on the pedal, not on the plug.
      </Typography>
    </>
  );
}

interface CheckProps {
  readonly label: string;
  readonly isOn: boolean;
  readonly onChange: () => void;
}

const Check = ({ label, isOn, onChange }: CheckProps) => (
  <FormControlLabel
    control={<Switch size="small" checked={isOn} onChange={onChange} />}
    label={label}
    slotProps={{ typography: { variant: 'body2' } }}
  />
);

interface HangsProps extends PowerPanelProps {
  readonly consumer: Consumer;
  readonly thing: FedThing | undefined;
}

/** Every outlet, and every thing that it could go on from. */
function HangsOn({ rig, feedings, onEdit, consumer, thing }: HangsProps) {
  const { id } = consumer;
  const outlets = feedings.supplies.flatMap(({ supply, outlets: all }) =>
    all.map((state) => {
      const names = state.hung
        .filter((one) => one.consumer.id !== id)
        .map((one) => one.consumer.name);
      const taken = names.length > 0 ? ` (${names.join(', ')})` : '';
      return [
        `${supply.id} ${state.outlet}`,
        `${supply.name} ${sayOutletHead(state)}${taken}`,
      ] as const;
    }),
  );
  const behind = [...feedings.fed.values()]
    .filter(({ consumer: one }) => one.id !== id)
    .map(({ consumer: one }) => [`after ${one.id}`, `behind ${one.name}`] as const);
  const feed = thing?.feed;
  const value = !feed
    ? 'none'
    : feed.after !== null
      ? `after ${feed.after}`
      : `${feed.supply} ${feed.outlet}`;
  const choose = (to: string) => {
    const edit = editFor(rig, id, to);
    if (edit) onEdit(edit);
  };
  return (
    <PanelGroup title="Hangs on">
      <ChoiceField
        label="Outlet"
        value={value}
        options={[['none', 'nothing'], ...outlets, ...behind]}
        onChange={choose}
      />
      {thing && (
        <Check
          label="Fixed: a proposal leaves it here"
          isOn={thing.feed.isFixed}
          onChange={() => {
            const edit = changeFeed(rig, id, { isFixed: !thing.feed.isFixed });
            if (edit) onEdit(edit);
          }}
        />
      )}
    </PanelGroup>
  );
}

/** What choosing an outlet, another thing, or nothing means. */
function editFor(rig: Rig, id: string, to: string): Edit | null {
  if (to === 'none') return unhang(rig, id);
  const [first, second] = to.split(' ');
  if (first !== 'after') return hang(rig, id, { supply: first!, outlet: Number(second) });
  const head = rig.power.feeds.find(({ consumer }) => consumer === second);
  if (!head) return null;
  const { supply, outlet, volts: set } = head;
  return hang(rig, id, { supply, outlet, volts: set, after: second! });
}

const VIA: readonly (readonly [FeedVia, string])[] = [
  ['straight', 'nothing'],
  ['reversed', 'a polarity adaptor'],
  ['doubled', 'a voltage doubler'],
];

/** What is between the outlet and the jack, and what arrives. */
function OnItsWay({ rig, feedings, units, onEdit, thing }: PowerPanelProps & { thing: FedThing }) {
  const { consumer, feed } = thing;
  const supply = feedings.supplies.find((one) => one.supply.id === feed.supply)!;
  const state = supply.outlets[feed.outlet]!;
  const change = (to: Parameters<typeof changeFeed>[2]) => {
    const edit = changeFeed(rig, consumer.id, to);
    if (edit) onEdit(edit);
  };
  const others = supply.outlets.filter(({ outlet }) => outlet !== feed.outlet);
  return (
    <PanelGroup title="On its way">
      <OutletSetting state={state} onSet={(set) => change({ volts: set })} />
      <ChoiceField
        label="Between"
        value={feed.via}
        options={VIA}
        onChange={(via) => change({ via })}
      />
      <ChoiceField
        label="In series with"
        value={String(feed.second ?? 'none')}
        options={[
          ['none', 'no other outlet'],
          ...others.map(({ outlet }) => [String(outlet), `outlet ${outlet + 1}`] as const),
        ]}
        onChange={(to) => change({ second: to === 'none' ? null : Number(to) })}
      />
      <QuantityField
        label="Its cable"
        rule={FIELD_RULES.cable.lengthM}
        value={feed.lengthM}
        units={units}
        assumedFrom="a DC cable of the usual length"
        onChange={(lengthM) => change({ lengthM })}
      />
      <Typography variant="body2">
        {`${volts(thing.volts)} arrive; its cable loses ${sayDrop(thing.dropV)}.`}
      </Typography>
    </PanelGroup>
  );
}

const NEEDS: FieldsOf<'device'> = [
  ['body.supplyV', 'Voltage'],
  ['body.supplyMaxV', 'Up to'],
  ['body.supplyA', 'Current, at most'],
  ['body.idleA', 'At rest'],
];

const withBody = (device: Device): Edit => ({
  kind: 'replace',
  part: { of: 'device', to: { ...device, body: typicalBody(device) } },
});

/** What it wants, told where it is seen. */
function Wants({
  rig,
  units,
  onEdit,
  consumer,
}: PowerPanelProps & { readonly consumer: Consumer }) {
  const { id, need, isDevice } = consumer;
  const device = findDevice(rig, id);
  if (device && !device.body)
    return (
      <Button size="small" onClick={() => onEdit(withBody(device))}>
        Say what it wants
      </Button>
    );
  const of = isDevice ? 'device' : 'fixture';
  const part = device ?? rig.layout.fixtures.find((one) => one.id === id);
  if (!part) return null;
  const choose = (field: string, to: string) =>
    onEdit({ kind: 'choose', target: { of, id }, field, to });
  return (
    <PanelGroup title="What it wants">
      <PartFields
        part={part}
        of={of}
        id={id}
        fields={NEEDS as never}
        units={units}
        assumedFrom="a thing of its class"
        actions={{ edit: onEdit }}
      />
      <NeedChoices need={need} onChoose={choose} />
    </PanelGroup>
  );
}
