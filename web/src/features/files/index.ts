export { Intake } from './Intake';
export { OpenFileButton } from './OpenFileButton';
export { saveWorkspace } from './RestoreWorkspace';
export { saveText } from './saveText';
export { ExportMenu } from './ExportMenu';
