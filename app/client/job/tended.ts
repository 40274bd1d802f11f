const open = new Map<string, number>()

/** A page of this job is open here and sends its acts. @returns what ends that */
export function tend(jobId: string): () => void {
  open.set(jobId, (open.get(jobId) ?? 0) + 1)
  return () => void open.set(jobId, (open.get(jobId) ?? 1) - 1)
}

export const isTended = (jobId: string): boolean => (open.get(jobId) ?? 0) > 0
