import sharp from 'sharp';

/** A board on a floor, as it might be photographed: nothing in it but areas of colour. */
export const picture = (): Promise<Buffer> =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="800">
         <rect width="1200" height="800" fill="#5b6b5b"/>
         <polygon points="140,660 1060,690 960,180 250,160" fill="#8a6a48"/>
         <polygon points="520,560 680,564 665,380 525,376" fill="#34a"/>
       </svg>`,
    ),
  )
    .jpeg()
    .toBuffer();
