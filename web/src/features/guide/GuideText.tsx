import { Link, styled, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import Markdown, { type Components } from 'react-markdown';
import { Link as RouterLink } from 'react-router';
import { SOUNDING_FONT } from '../../app/theme';
import type { GuideName } from './model/search';
import { pictureAt, readGuide } from './texts';

const Words = styled('div')(({ theme }) => ({
  fontSize: 16,
  lineHeight: 1.45,
  maxWidth: 680,
  '& h1': {
    fontFamily: SOUNDING_FONT,
    fontStyle: 'italic',
    fontWeight: 400,
    fontSize: 30,
    margin: '0 0 8px',
  },
  '& h2': { fontSize: 17, fontWeight: 600, margin: '18px 0 4px' },
  '& p, & ul, & ol': { margin: '6px 0' },
  '& img': { width: '100%', border: `1px solid ${theme.chart.grid}`, display: 'block' },
}));

const COMPONENTS: Components = {
  a: ({ href = '', children }) => (
    <Link component={RouterLink} to={`/guide?page=${href.replace('.md', '')}`}>
      {children}
    </Link>
  ),
  img: ({ src, alt = '' }) => (typeof src === 'string' ? <Picture src={src} alt={alt} /> : null),
};

/** One page of the guide. */
export function GuideText({ name }: { readonly name: GuideName }) {
  const text = useGuide(name);
  if (text === null) return <Typography role="status">Opening the page …</Typography>;
  return (
    <Words data-guide={name}>
      <Markdown components={COMPONENTS}>{text}</Markdown>
    </Words>
  );
}

function useGuide(name: GuideName): string | null {
  const [kept, setKept] = useState<{ readonly name: GuideName; readonly text: string } | null>(
    null,
  );
  useEffect(() => {
    let isLeft = false;
    void readGuide(name).then((text) => !isLeft && setKept({ name, text }));
    return () => {
      isLeft = true;
    };
  }, [name]);
  return kept?.name === name ? kept.text : null;
}

function Picture({ src, alt }: { readonly src: string; readonly alt: string }) {
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    let isLeft = false;
    void pictureAt(src).then((found) => !isLeft && setUrl(found));
    return () => {
      isLeft = true;
    };
  }, [src]);
  return url === null ? null : <img src={url} alt={alt} />;
}
