import {
  removeSupply,
  tradeSupply,
  formatNumber,
  formatQuantity,
  type GearItem,
  type ItemOf,
  type Rig,
  type Supply,
  type SupplyTrial,
  type UnitSystem,
} from '@gullwind/core';
import {
  Box,
  Button,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { useMemo, useState } from 'react';
import { NameField } from '../../../ui/NameField';
import { ChoiceField } from '../../../ui/parts/ChoiceField';
import { OutletLines } from '../../../ui/parts/PlaceLines';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { PartFields } from '../../../ui/parts/PartFields';
import { useLongWork } from '../../../workers/useLongWork';
import { percent, watts } from '../model/sayPower';
import type { PowerPanelProps } from './FeedPanel';

interface Props extends PowerPanelProps {
  readonly id: string;
  readonly gear: readonly GearItem[] | null;
}

const CLASSES = [
  ['brick', 'supply'],
  ['diWithOutlets', 'DI and supply in one'],
  ['mainsAdaptor', 'mains adaptor'],
  ['battery', 'battery'],
] as const;

/** One supply: what it gives, what it feeds, and how it compares. */
export function SupplyPanel({ id, gear, ...panel }: Props) {
  const { rig, feedings, units, onEdit } = panel;
  const state = feedings.supplies.find((one) => one.supply.id === id);
  if (!state) return null;
  const { supply } = state;
  const spare = state.outlets.filter(({ hung, helps }) => hung.length + helps.length === 0).length;
  return (
    <>
      <NameField
        key={supply.name}
        label="Name"
        value={supply.name}
        onChange={(name) => onEdit({ kind: 'rename', target: { of: 'supply', id }, to: name })}
      />
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {`${watts(state.watts)} of ${watts(state.mostW)} (${percent(state.share)}), ${spare} spare ${spare === 1 ? 'outlet' : 'outlets'}`}
      </Typography>
      <Gives {...panel} supply={supply} />
      <Compare rig={rig} supply={supply} gear={gear} onEdit={onEdit} units={units} />
      <Cautions supply={supply} />
      <Button size="small" sx={{ mt: 1 }} onClick={() => onEdit(removeSupply(rig, id))}>
        Without this supply
      </Button>
    </>
  );
}

/** Its outlets, and what bounds them together. */
function Gives({ supply, ...panel }: PowerPanelProps & { readonly supply: Supply }) {
  const { rig, units, onEdit } = panel;
  const { id } = supply;
  const change = (to: Partial<Supply>) => onEdit(tradeSupply(rig, id, { ...supply, ...to }));
  return (
    <PanelGroup title="What it gives">
      <ChoiceField
        label="Kind"
        value={supply.supplyClass}
        options={CLASSES}
        onChange={(supplyClass) => change({ supplyClass })}
      />
      <OutletLines supply={supply} units={units} onChange={change} />
      <PartFields
        part={supply}
        of="supply"
        id={id}
        units={units}
        assumedFrom="a supply of its kind"
        actions={{ edit: onEdit }}
        fields={[
          ['totalW', 'All together'],
          ...(supply.supplyClass === 'battery' ? ([['chargeC', 'Charge']] as const) : []),
        ]}
      />
      {supply.supplyClass === 'diWithOutlets' && <OneBox {...panel} id={id} />}
    </PanelGroup>
  );
}

/** The DI that is in the same box. */
function OneBox({ rig, onEdit, id }: PowerPanelProps & { readonly id: string }) {
  const { destinations } = rig.electrical;
  const { [id]: now, ...others } = rig.power.oneBox;
  return (
    <ChoiceField
      label="In one box with"
      value={now ?? 'none'}
      options={[['none', 'nothing'], ...destinations.map((one) => [one.id, one.name] as const)]}
      onChange={(to) =>
        onEdit({
          kind: 'assign',
          field: 'oneBox',
          to: to === 'none' ? others : { ...others, [id]: to },
        })
      }
    />
  );
}

function Cautions({ supply }: { readonly supply: Supply }) {
  return (
    <Typography variant="body2" sx={{ mt: 1.5, color: 'text.secondary' }}>
      {supply.supplyClass === 'battery'
        ? 'Loose battery clips are insulated: bare ones short against the case.'
        : 'Mains parts are bought closed and stay closed. Strips are fixed and strain-relieved; what is wired on stage follows the local codes. A safety earth is never lifted to cure hum: isolate the audio instead.'}
    </Typography>
  );
}

interface CompareProps {
  readonly rig: Rig;
  readonly supply: Supply;
  readonly gear: readonly GearItem[] | null;
  readonly units: UnitSystem;
  readonly onEdit: PowerPanelProps['onEdit'];
}

/** This supply and another one in its place, both with everything hung as well as can be. */
function Compare({ rig, supply, gear, units, onEdit }: CompareProps) {
  const [chosen, setChosen] = useState('');
  const supplies = (gear ?? []).filter(
    (item): item is ItemOf<'supply'> & GearItem => item.kind === 'supply' && !item.retired,
  );
  const other = supplies.find(({ id }) => id === chosen);
  const question = useMemo(
    () =>
      other && gear
        ? { rig, gear, supply: supply.id, others: [other.thing as Omit<Supply, 'id'>] }
        : null,
    [rig, gear, supply.id, other],
  );
  const { state } = useLongWork('supplies', question, { begins: true });
  return (
    <PanelGroup title="Beside another">
      <ChoiceField
        label="In its place"
        value={chosen}
        options={[['', 'choose …'], ...supplies.map(({ id, thing }) => [id, thing.name] as const)]}
        onChange={setChosen}
      />
      {state.kind === 'running' && <Typography variant="body2">Looking …</Typography>}
      {state.kind === 'failed' && (
        <Typography variant="body2">{`It broke off: ${state.message}`}</Typography>
      )}
      {state.kind === 'done' && other && (
        <>
          <Trials
            units={units}
            names={[supply.name, other.thing.name]}
            trials={state.answer}
            prices={[null, other.qualities.price]}
          />
          <Button size="small" onClick={() => onEdit(tradeSupply(rig, supply.id, other.thing))}>
            {`${other.thing.name} instead`}
          </Button>
        </>
      )}
    </PanelGroup>
  );
}

interface TrialsProps {
  readonly units: UnitSystem;
  readonly names: readonly string[];
  readonly trials: readonly SupplyTrial[];
  readonly prices: readonly (number | null)[];
}

function Trials({ names, trials, prices, units }: TrialsProps) {
  const money = (value: number) => formatNumber(value, 2);
  const sayPrice = (price: number | null) => (price === null ? '–' : money(price));
  const lines: readonly (readonly [string, (trial: SupplyTrial, i: number) => string])[] = [
    ['left out', ({ unfed }) => (unfed.length === 0 ? 'nobody' : String(unfed.length))],
    ['free on the fullest outlet', ({ headroom }) => (headroom === null ? '–' : percent(headroom))],
    ['parts to buy', ({ price }) => (price === 0 ? 'none' : money(price))],
    ['its price', (_, i) => sayPrice(prices[i] ?? null)],
    ['spare outlets', ({ spare }) => String(spare)],
    ['DC cable', ({ cableM }) => formatQuantity(cableM, 'length', units)],
  ];
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Table size="small" aria-label="Two supplies" sx={{ '& td, & th': { px: 0.5, py: 0.25 } }}>
        <TableHead>
          <TableRow>
            <TableCell />
            {names.map((name, i) => (
              <TableCell key={i}>{name}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {lines.map(([label, say]) => (
            <TableRow key={label}>
              <TableCell component="th" scope="row">
                {label}
              </TableCell>
              {trials.map((trial, i) => (
                <TableCell key={i}>{say(trial, i)}</TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
