export { Intake } from './Intake';
export { OpenFileButton } from './OpenFileButton';
export { useBackUp } from './useBackUp';
export { saveBytes, saveText } from './saveText';
export { ExportMenu } from './ExportMenu';
