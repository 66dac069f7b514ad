/**
 * Reading DXF.
 *
 * @example
 * const read = readDxf(text); // a Result<Drawing>
 */
export { READ_DXF, readDxf } from './readDxf';
