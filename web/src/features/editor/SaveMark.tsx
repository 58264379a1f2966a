import CloudDoneOutlined from '@mui/icons-material/CloudDoneOutlined';
import CloudOffOutlined from '@mui/icons-material/CloudOffOutlined';
import CloudUploadOutlined from '@mui/icons-material/CloudUploadOutlined';
import ErrorOutlined from '@mui/icons-material/ErrorOutlined';
import { Box } from '@mui/material';
import { useOutbox } from '../../app/outbox/useOutbox';
import { OutboxMark } from '../../ui/OutboxMark';
import type { OpenRig } from './model/editorSlice';

const LOOKS = {
  saved: { Icon: CloudDoneOutlined, words: 'saved', color: 'text.secondary' },
  waiting: { Icon: CloudUploadOutlined, words: 'saving …', color: 'text.secondary' },
  saving: { Icon: CloudUploadOutlined, words: 'saving …', color: 'text.secondary' },
  away: {
    Icon: CloudOffOutlined,
    words: 'the server is away; kept in this browser',
    color: 'warning.main',
  },
  kept: {
    Icon: CloudOffOutlined,
    words: 'the server is away; as last seen here',
    color: 'warning.main',
  },
  refused: { Icon: ErrorOutlined, words: '', color: 'warning.main' },
} as const;

/** Whether everything is with the server, in words: the rig, and all else that waits to be sent. */
export function SaveMark({ save, isKept }: Pick<OpenRig, 'save' | 'isKept'>) {
  const { kept, absence } = useOutbox();
  const { Icon, words, color } = LOOKS[isKept && save.kind === 'saved' ? 'kept' : save.kind];
  const others = kept.filter(({ name, state }) => name !== 'saveRig' || state === 'refused');
  const isListed = others.length > 0 || (absence !== null && kept.length > 0);
  return (
    <Box
      role="status"
      data-testid="save-state"
      data-save={save.kind}
      sx={{ display: 'flex', alignItems: 'center', gap: 0.75, color, fontSize: 13.5, minWidth: 78 }}
    >
      <Icon sx={{ fontSize: 17 }} />
      {save.kind === 'refused' && save.message}
      {save.kind !== 'refused' && (isListed ? <OutboxMark /> : words)}
    </Box>
  );
}
