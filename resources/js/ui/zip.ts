import { unzipSync, zipSync } from 'fflate/browser'

/**
 * What libraries of workbooks take from fflate, without its workers: those come as blobs, which the page's policy
 * refuses, and then nothing ever answers. A workbook is a few megabytes: it is done where it stands.
 */
export * from 'fflate/browser'

type Done<T> = (error: Error | null, data: T) => void

function told<T>(work: () => T, done: Done<T>) {
  let result: T
  try {
    result = work()
  } catch (error) {
    done(error as Error, undefined as T)
    return
  }
  done(null, result)
}
export const zip = (files: Parameters<typeof zipSync>[0], done: Done<Uint8Array>) => told(() => zipSync(files), done)
export const unzip = (data: Uint8Array, done: Done<ReturnType<typeof unzipSync>>) => told(() => unzipSync(data), done)
