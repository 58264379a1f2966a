import { GEAR_ID } from '@gullwind/core';
import Joi from 'joi';
import { idsShape, itemsShape, useQueryFields, updateItemShape } from '../messages';
import { MOST_ITEMS } from '../limits';
import { READ, type Operation } from './operation';
import { gearItem, gearList, storedItem, useCounts, uses } from './answers';

const gearId = Joi.string().pattern(GEAR_ID).required();

/** The gear list. */
export const GEAR: readonly Operation[] = [
  {
    method: 'get',
    path: '/gear',
    summary: 'The gear list.',
    status: 200,
    answer: gearList,
    errors: [],
  },
  {
    method: 'post',
    path: '/gear',
    summary: 'Adds entries: all of them, or none.',
    body: itemsShape.keys({ items: Joi.array().items(gearItem.optional()).min(1).max(MOST_ITEMS) }),
    status: 201,
    answer: gearList,
    errors: [...READ, 'gear-exists', 'text-not-kept'],
  },
  {
    method: 'get',
    path: '/gear/counts',
    summary: 'In how many rigs entries stand.',
    status: 200,
    answer: useCounts,
    errors: [],
  },
  {
    method: 'get',
    path: '/gear/uses',
    summary: 'Where an entry stands (“gear”), or what of the gear list is in a rig (“rig”).',
    query: useQueryFields,
    status: 200,
    answer: uses,
    errors: ['invalid-request'],
  },
  {
    method: 'post',
    path: '/gear/remove',
    summary: 'Removes entries that no rig was built from: all of them, or none.',
    body: idsShape,
    status: 204,
    errors: [...READ, 'gear-in-use'],
  },
  {
    method: 'put',
    path: '/gear/{id}',
    summary: 'Saves an entry over the revision that it was edited from.',
    params: { id: gearId },
    body: updateItemShape.keys({ item: gearItem }),
    status: 200,
    answer: storedItem,
    errors: [...READ, 'gear-not-found', 'gear-stale', 'counted-out', 'text-not-kept'],
  },
];
