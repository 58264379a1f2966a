import { BRIGHTNESS, homographyOf, type PhotoLie, type PhotoPoints } from '@gullwind/core';
import Joi from 'joi';
import { calledInDocs, closed } from './shapes';
import { readWith, type Read } from './read';

/// A photograph under a board, kept with its rig: JPEG without metadata, and how it lies.

export const MOST_KEPT_BYTES = 4 * 2 ** 20;
export const MOST_PIXELS_ACROSS = 12_000;

const share = Joi.number().min(-2).max(3).required();
const metres = Joi.number().min(-20).max(20).required();
const point = closed({ u: share, v: share, x: metres, y: metres });

const lieFields = {
  points: Joi.array()
    .items(point)
    .length(4)
    .custom((points: PhotoPoints, helpers) =>
      homographyOf(points) ? points : helpers.error('any.inLine'),
    )
    .required()
    .messages({ 'any.inLine': '{{#label}} has three points in one line' }),
  brightness: Joi.number().min(BRIGHTNESS.min).max(BRIGHTNESS.max).required(),
};

export const photoLieShape: Joi.ObjectSchema<PhotoLie> = closed(lieFields);
export const readPhotoLie = (value: unknown): Read<PhotoLie> => readWith(photoLieShape, value);

const pixels = Joi.number().integer().min(1).max(MOST_PIXELS_ACROSS).required();

export const boardPhotoShape = calledInDocs(
  'BoardPhoto',
  closed({ ...lieFields, width: pixels, height: pixels, version: Joi.string().required() }),
);

/** In a backup, with the picture itself. */
export interface KeptPicture extends PhotoLie {
  readonly picture: string;
}

export const keptPictureShape: Joi.ObjectSchema<KeptPicture> = closed({
  ...lieFields,
  picture: Joi.string()
    .base64()
    .max(Math.ceil((MOST_KEPT_BYTES * 4) / 3) + 4)
    .required(),
});
