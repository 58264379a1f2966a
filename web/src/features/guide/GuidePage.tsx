import { Box, Link, styled, TextField, Typography } from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import { Link as RouterLink, useSearchParams } from 'react-router';
import { GuideText } from './GuideText';
import { isGuideName, searcherOf, type GuideFound, type GuideText as Page } from './model/search';
import { readAll } from './texts';

/** The guide: its contents, a search through all of it, and the page that is read. */
export function GuidePage() {
  const pages = usePages();
  const [asked] = useSearchParams();
  const page = asked.get('page') ?? '';
  const [words, setWords] = useState('');
  const find = useMemo(() => searcherOf(pages), [pages]);
  const found = useMemo(() => (words.trim() === '' ? null : find(words)), [find, words]);
  useEffect(() => {
    document.title = 'Guide · Gullwind';
  }, []);
  return (
    <Box
      component="main"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '230px minmax(0, 1fr)' },
        minHeight: '100vh',
      }}
    >
      <Box component="nav" aria-label="Pages of the guide" sx={CONTENTS}>
        <TextField
          size="small"
          type="search"
          label="Search the guide"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          fullWidth
        />
        <Contents pages={pages} onOpen={() => setWords('')} />
      </Box>
      <Box sx={{ px: { xs: 2, md: 4 }, py: 2.5 }}>
        {found ? (
          <Found found={found} onOpen={() => setWords('')} />
        ) : (
          <GuideText name={isGuideName(page) ? page : 'brief'} />
        )}
      </Box>
    </Box>
  );
}

const CONTENTS = { p: 2, borderRight: { md: 1 }, borderColor: { md: 'divider' } } as const;

function usePages(): readonly Page[] {
  const [pages, setPages] = useState<readonly Page[]>([]);
  useEffect(() => {
    void readAll().then(setPages);
  }, []);
  return pages;
}

const Entry = styled(RouterLink)(({ theme }) => ({
  display: 'block',
  color: theme.chart.ink,
  textDecoration: 'none',
  fontSize: 15,
  padding: '4px 0',
  minHeight: 24,
  '&:hover': { textDecoration: 'underline' },
}));

interface ContentsProps {
  readonly pages: readonly Page[];
  readonly onOpen: () => void;
}

const Contents = ({ pages, onOpen }: ContentsProps) => (
  <Box component="ol" sx={{ listStyle: 'none', p: 0, my: 1.5 }}>
    {pages.map(({ name, title }) => (
      <li key={name}>
        <Entry to={`/guide?page=${name}`} onClick={onOpen}>
          {title}
        </Entry>
      </li>
    ))}
  </Box>
);

function Found({
  found,
  onOpen,
}: {
  readonly found: readonly GuideFound[];
  readonly onOpen: () => void;
}) {
  return (
    <Box component="section" aria-label="What was found">
      <Typography component="h1" sx={{ fontSize: 26 }}>
        What the guide says of it
      </Typography>
      <Typography role="status" sx={{ mb: 1 }}>
        {sayPages(found.length)}
      </Typography>
      {found.map(({ name, title, around }) => (
        <Box key={name} sx={{ mb: 1.5, maxWidth: 680 }}>
          <Link
            component={RouterLink}
            to={`/guide?page=${name}`}
            onClick={onOpen}
            sx={{ fontSize: 18 }}
          >
            {title}
          </Link>
          <Typography variant="body2">{around}</Typography>
        </Box>
      ))}
    </Box>
  );
}

function sayPages(count: number): string {
  if (count === 0) return 'Nothing in the guide says that.';
  return count === 1 ? '1 page' : `${count} pages`;
}
