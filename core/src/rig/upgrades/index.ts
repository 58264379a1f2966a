export { kindNow, upgradeRig, upgradeThing } from './upgradeRig';
