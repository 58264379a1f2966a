import vm from 'node:vm';
import { TestEnvironment } from 'jest-environment-node';

/**
 * Node's environment without the interceptors of a contextified object: with them every look at a
 * global (Math, Map, Float64Array) goes through a proxy, and loops of numbers run several times slower.
 */
export default class FlatEnvironment extends TestEnvironment {
  constructor(config, context) {
    const { createContext } = vm;
    vm.createContext = () => createContext(vm.constants.DONT_CONTEXTIFY);
    try {
      super(config, context);
    } finally {
      vm.createContext = createContext;
    }
  }
}
