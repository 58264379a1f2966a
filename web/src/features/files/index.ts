export { Intake } from './Intake';
export { OpenFileButton } from './OpenFileButton';
export { saveWorkspace } from './RestoreWorkspace';
export { saveText } from './saveText';
export { TakeOutMenu } from './TakeOutMenu';
