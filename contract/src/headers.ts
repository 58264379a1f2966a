/// Headers that page and server share: words alone, so that the page knows them without the schemas.

/** The id of a write, of the client's making: the same write sent again is answered what it was answered first. */
export const OPERATION_HEADER = 'Operation-Id';
/** Which window of a browser writes, so that it can tell its own changes from others'. */
export const WINDOW_HEADER = 'Window-Id';
