/** What came of the last thing done: what is wrong, or what was stored. */
export function Told({ problem, said }: { problem?: string | null; said?: string | null }) {
  return (
    <>
      {problem ? (
        <p role="alert" className="odd-edge mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {problem}
        </p>
      ) : null}
      {said ? (
        <p role="status" className="mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {said}
        </p>
      ) : null}
    </>
  )
}
