import { TestEnvironment } from 'jest-environment-node'

/**
 * Tests run in a context of their own, whose arrays a native library does not take for arrays: it is given
 * the outer ones.
 */
export default class NativeArrays extends TestEnvironment {
  /**
   * @param {import('@jest/environment').JestEnvironmentConfig} config
   * @param {import('@jest/environment').EnvironmentContext} context
   */
  constructor(config, context) {
    super(config, context)
    Object.assign(this.global, { Float32Array, BigInt64Array })
  }
}
