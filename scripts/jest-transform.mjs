import swc from "@swc/jest";

/**
 * Names of the language that a module looks up in its global again and again. A test's global is one of Jest's own, and each lookup there
 * goes through an interceptor that engines do not optimise: bound once at the head of a module they cost nothing.
 */
const NAMES = [
  "Array", "BigInt", "Boolean", "Float64Array", "Infinity", "Int16Array", "Int32Array", "Int8Array", "JSON", "Map", "Math", "NaN", "Number",
  "Object", "Set", "String", "Uint16Array", "Uint32Array", "Uint8Array", "WeakMap",
]; // prettier-ignore

/** A module with the names it uses bound at its head, on its first line, so that all lines stay where they are. */
function bound(code) {
  const used = NAMES.filter((n) => new RegExp(`(?<![\\w$.])${n}(?![\\w$])`).test(code));
  const own = used.filter((n) => new RegExp(`(?:import[^;]*[{,\\s]|\\b(?:const|let|var|class|function)\\s+)${n}\\b`).test(code)); // prettier-ignore
  const free = used.filter((n) => !own.includes(n));
  return free.length === 0 ? code : `const ${free.map((n) => `${n} = globalThis.${n}`).join(", ")}; ${code}`;
}

/** TypeScript as @swc/jest reads it, with the names of the language bound. */
export default {
  createTransformer(options) {
    const plain = swc.createTransformer(options);
    const of = (made) => ({ ...made, code: bound(made.code) });
    return {
      canInstrument: plain.canInstrument,
      getCacheKey: (...of) => `bound 1 ${plain.getCacheKey(...of)}`,
      process: (...of_) => of(plain.process(...of_)),
      processAsync: async (...of_) => of(await plain.processAsync(...of_)),
    };
  },
};
