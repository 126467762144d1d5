/** The name, as it is written everywhere. */
export function Wordmark() {
  return (
    <>
      <b className="font-semibold">Mail</b> <i>Shelf</i>
    </>
  );
}
