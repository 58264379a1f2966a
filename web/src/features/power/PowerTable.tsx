import {
  sayPowerFault,
  placesOf,
  sayOutlet,
  type Consumer,
  type Feedings,
  type PowerFault,
  type Rig,
} from '@gullwind/core';
import { Box, Table, TableBody, TableCell, TableHead, TableRow } from '@mui/material';
import { amps, percent, sayBetween, sayDrop, sayWants, volts, type Picked } from './model/sayPower';

interface Props {
  readonly rig: Rig;
  readonly feedings: Feedings;
  readonly faults: readonly PowerFault[];
  readonly onPick: (picked: Picked) => void;
}

const HEADS = [
  'Thing',
  'Wants',
  'Hangs on',
  'Between',
  'Arrives',
  'Lost in its cable',
  'Outlet filled',
  'What is wrong',
];

/** The delta as a table: one row for each thing. */
export function PowerTable({ rig, feedings, faults, onPick }: Props) {
  return (
    <Box sx={{ flex: 1, minHeight: 200, overflow: 'auto', px: 2.5 }}>
      <Table size="small" stickyHeader aria-label="What feeds what">
        <TableHead>
          <TableRow>
            {HEADS.map((head) => (
              <TableCell key={head}>{head}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {feedings.consumers.map((consumer) => (
            <ThingLine key={consumer.id} {...{ rig, feedings, faults, onPick, consumer }} />
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

function ThingLine({ rig, feedings, faults, onPick, consumer }: Props & { consumer: Consumer }) {
  const thing = feedings.fed.get(consumer.id);
  const supply = feedings.supplies.find((one) => one.supply.id === thing?.feed.supply);
  const outlet = thing && supply?.outlets[thing.feed.outlet];
  const own = faults.filter((fault) => placesOf(fault).consumers.includes(consumer.id));
  const says = [
    sayWants(consumer.need),
    outlet ? sayOutlet(outlet.supply.name, outlet.outlet) : 'nothing',
    thing ? sayBetween(thing) : '',
    thing ? volts(thing.volts) : '',
    thing ? sayDrop(thing.dropV) : '',
    outlet ? `${percent(outlet.share)} of ${amps(outlet.setting.amps)}` : '',
    own.map((fault) => sayPowerFault(rig, fault)).join(' '),
  ];
  return (
    <TableRow hover>
      <TableCell component="th" scope="row">
        <Box
          component="button"
          type="button"
          sx={NAME}
          onClick={() => onPick({ of: 'thing', id: consumer.id })}
        >
          {consumer.name}
        </Box>
      </TableCell>
      {says.map((text, i) => (
        <TableCell key={i}>{text}</TableCell>
      ))}
    </TableRow>
  );
}

const NAME = {
  border: 0,
  background: 'none',
  font: 'inherit',
  color: 'inherit',
  p: 0,
  minHeight: 24,
  cursor: 'pointer',
  textAlign: 'left',
  fontWeight: 600,
} as const;
