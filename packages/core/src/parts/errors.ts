export class UnknownKindError extends Error {
  override readonly name = 'UnknownKindError';
}
export class UnknownCellError extends Error {
  override readonly name = 'UnknownCellError';
}
export class ComponentMissingError extends Error {
  override readonly name = 'ComponentMissingError';
}
