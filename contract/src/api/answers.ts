import { boardPhotoShape } from '../photo';
import { DIRECTION_WORDS, GEAR_KINDS, SIZE_WORDS } from '@gullwind/core';
import Joi from 'joi';
import {
  cableTestShape,
  offCutShape,
  repairShape,
  rigBuildShape,
  workDoneShape,
} from '../buildRecords';
import { huntShape } from '../hunts';
import { hearingShape, measurementHeadShape, measurementShape } from '../benchRecords';
import { instrumentShape, truthAnswerShape } from '../instruments';
import { ERROR_CATALOGUE } from '../errorCatalogue';
import { ITEM_SHAPES } from '../gearSchema';
import { revision, uuid } from '../ids';
import { rigShape, stateSchema } from '../rigSchema';
import { calledInDocs, closed, oneOf, yesNo } from '../shapes';

/// What the server answers with: for whoever reads the description of the API. The page has the same as types.

const text = Joi.string().allow('').required();
const moment = Joi.string().isoDate().required();
const count = Joi.number().integer().min(0).required();
const decibels = Joi.number().required();
const orNull = Joi.number().allow(null).required();
const list = (item: Joi.Schema) => Joi.array().items(item.optional()).required();

const saved = { id: uuid, revision, lineage: uuid, updatedAt: moment };

export const savedRig = calledInDocs('SavedRig', closed(saved));
export const storedRig = calledInDocs('StoredRig', closed({ ...saved, rig: rigShape }));
export const updatedRig = calledInDocs('UpdatedRig', closed({ ...saved, state: stateSchema }));

const verdict = closed({
  size: oneOf(Object.keys(SIZE_WORDS)),
  direction: oneOf(Object.keys(DIRECTION_WORDS)),
  resonanceMoved: orNull,
  resonanceRaisedDb: orNull,
  levelDb: orNull,
});

const section = closed({ driver: count, cableM: Joi.number().min(0).required(), exposed: yesNo });

const share = list(Joi.number().integer().min(0)).length(2);

const listing = closed({
  id: uuid,
  revision,
  updatedAt: moment,
  deletedAt: moment.allow(null),
  name: text,
  player: text,
  note: text,
  unreadable: Joi.string().allow(null).required(),
  pedals: count,
  cableM: Joi.number().min(0).required(),
  trebleDb: decibels.allow(null),
  octavesDb: list(decibels).length(2).allow(null),
  verdict: verdict.allow(null),
  sections: list(section),
  points: list(list(Joi.number()).length(2)),
  job: closed({
    deadline: Joi.string().allow(null).required(),
    spoken: share,
    placed: share,
    fed: share,
    songs: count,
    walked: share,
    steps: count,
    isPlayed: yesNo,
    measured: count,
    heard: count,
    hunts: count,
    named: count,
  }),
});

export const rigPage = calledInDocs('RigPage', closed({ total: count, rigs: list(listing) }));
export const names = list(closed({ id: uuid, name: text }));
export const revisionPage = closed({
  total: count,
  revisions: list(closed({ revision, savedAt: moment, name: Joi.string().allow(null).required() })),
});
export const revisionDifference = closed({ difference: Joi.object().unknown().optional() });
export const rigOfRevision = closed({ rig: rigShape });

/** An entry of the gear list, whatever its kind. */
export const gearItem = calledInDocs(
  'GearItem',
  Joi.alternatives(...GEAR_KINDS.map((kind) => ITEM_SHAPES[kind])).required(),
);
export const storedItem = calledInDocs('StoredItem', closed({ item: gearItem, revision }));
export const gearList = closed({ items: list(storedItem) });
export const useCounts = closed({ counts: list(closed({ gear: text, rigs: count })) });
export const uses = closed({
  uses: list(closed({ kind: text, id: text, gear: text, rigId: uuid, rigName: text })),
});

export const buildRecords = closed({
  tests: list(cableTestShape),
  done: list(workDoneShape),
  repairs: list(repairShape),
});
export const cableTest = cableTestShape;
export const offCuts = closed({ offCuts: list(offCutShape) });
export const builds = closed({ builds: list(rigBuildShape) });

export const instruments = closed({ instruments: list(instrumentShape) });
const numbers = list(Joi.number());
export const meterAnswer = closed({
  instrument: text,
  isSimulated: yesNo,
  values: numbers,
  uncertainty: orNull,
});
export const sweepAnswer = closed({
  instrument: text,
  isSimulated: yesNo,
  frequencyHz: numbers,
  levelDb: numbers,
});
export const truthAnswer = truthAnswerShape;
export const measurement = measurementShape;
export const measurements = closed({ total: count, measurements: list(measurementHeadShape) });
export const hearing = hearingShape;
export const hearings = closed({ hearings: list(hearingShape) });

export const hunt = huntShape;
export const hunts = closed({ hunts: list(huntShape) });

export const session = closed({ signInNeeded: yesNo, canSignOut: yesNo });
export const health = closed({ state: oneOf(['ready']), version: text, commit: text });
export const photo = closed({ photo: boardPhotoShape.allow(null).required() });
export const restored = closed({ rigs: count, revisions: count, gear: count, records: count });

export const problem = calledInDocs(
  'Problem',
  closed({
    type: text,
    title: text,
    status: Joi.number().integer().min(400).max(599).required(),
    code: oneOf(Object.keys(ERROR_CATALOGUE)),
    detail: text,
    requestId: text,
    problems: Joi.array().items(closed({ path: text, message: text }).optional()),
    theirs: storedRig.optional(),
    yours: rigShape.optional(),
  }),
);
