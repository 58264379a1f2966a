import type { ConnectedThing, TruthAnswer } from '@gullwind/contract';
import {
  faultOf,
  simulatedReading,
  swapped,
  truthOf,
  type Cable,
  type Connected,
  type MeterQuantity,
} from '@gullwind/core';
import type { Answer } from './lineServer';

export const METER_NAME = 'Gullwind,Simulated meter,0,1';

const QUANTITIES: Readonly<Record<string, MeterQuantity>> = {
  CPD: 'Cp',
  LSRS: 'Ls',
  LPRP: 'Lp',
  DCR: 'R',
};

/** One conversation with the simulated meter. What is clipped to it is told it, since nobody can clip anything. */
export function simulatedMeter(seed: number): Answer {
  let connected: ConnectedThing = { kind: 'nothing' };
  let setting = { quantity: 'Cp' as MeterQuantity, frequencyHz: 1000, isOpenCorrected: false };
  let draw = Date.now() % 100_000;
  return (command, argument) => {
    switch (command) {
      case '*IDN?':
        return METER_NAME;
      case ':SIM:CONN':
        connected = JSON.parse(argument) as ConnectedThing;
        return undefined;
      case ':SIM:TRUTH?':
        return JSON.stringify(hiddenOf(connected, seed));
      case ':FUNC:IMP': {
        const quantity = QUANTITIES[argument.toUpperCase()];
        if (!quantity) throw new Error(`Undefined function ${argument}`);
        setting = { ...setting, quantity };
        return undefined;
      }
      case ':FREQ':
        setting = { ...setting, frequencyHz: Number(argument) };
        return undefined;
      case ':CORR:OPEN:STAT':
        setting = { ...setting, isOpenCorrected: argument.toUpperCase() === 'ON' };
        return undefined;
      case ':FETC?': {
        const shown = simulatedReading(truthIn(connected, seed), setting, seed, draw++);
        return `${shown.toExponential(5)},0,+0`;
      }
      default:
        throw new Error(`Undefined header ${command}`);
    }
  };
}

/** What is clipped on, as it truly is. */
function truthIn(connected: ConnectedThing, seed: number): Connected {
  switch (connected.kind) {
    case 'nothing':
      return connected;
    case 'guitar': {
      const { guitar, id, at } = connected;
      return { kind: 'guitar', guitar: truthOf('guitar', guitar, id, seed), at };
    }
    case 'cable': {
      const fault = hiddenFault(connected, seed);
      const cable = trueCable(connected, seed);
      return fault === 'swapped'
        ? { kind: 'cable', cable: swapped(cable), fault: null }
        : { kind: 'cable', cable, fault };
    }
  }
}

const hiddenFault = (connected: Extract<ConnectedThing, { kind: 'cable' }>, seed: number) =>
  connected.mayBeFaulty ? faultOf(nameOf(connected), seed) : null;

const nameOf = ({ id, piece }: Extract<ConnectedThing, { kind: 'cable' }>) => `${id} ${piece}`;

/** Its kind is what all pieces share; its length is its own. */
function trueCable(connected: Extract<ConnectedThing, { kind: 'cable' }>, seed: number): Cable {
  const { cable, id } = connected;
  const { lengthM } = truthOf('cable', cable, nameOf(connected), seed);
  return { ...truthOf('cable', cable, id, seed), lengthM };
}

function hiddenOf(connected: ConnectedThing, seed: number): TruthAnswer {
  const truth = truthIn(connected, seed);
  if (truth.kind === 'nothing') return { values: {}, fault: null };
  if (truth.kind === 'guitar') {
    const { lH, rDcOhm, cWindingF, rEddyOhm } = truth.guitar;
    const values = { lH: lH.value, rDcOhm: rDcOhm.value, cWindingF: cWindingF.value };
    return { values: { ...values, rEddyOhm: rEddyOhm.value }, fault: null };
  }
  const { cPerMF, plugF, lengthM } = truth.cable;
  const values = { cPerMF: cPerMF.value, plugF: plugF.value, lengthM: lengthM.value };
  return { values, fault: connected.kind === 'cable' ? hiddenFault(connected, seed) : null };
}
