import { pdfLines } from './pdfLines';

/** A file of a data sheet as text, or why there is none. */
export type SheetFile = { readonly text: string } | { readonly problem: string };

const NO_WORDS = 'This PDF holds pictures of pages, no words. Copy the text from elsewhere, or type the figures in.';
const PROBLEMS: Readonly<Record<string, string>> = {
  PasswordException: 'This PDF asks for a password. Save it again without one.',
  InvalidPDFException: 'This file is no PDF, or it is broken. Open it in another program and save it again.',
};

/**
 * The words of a PDF, read by a worker of its own; nothing leaves this machine.
 * @param bytes are handed over to the worker
 */
export async function readPdf(bytes: ArrayBuffer): Promise<SheetFile> {
  const { getDocument, GlobalWorkerOptions } = await import('pdfjs-dist');
  const worker = new Worker(new URL('pdfjs-dist/build/pdf.worker.mjs', import.meta.url), { type: 'module' });
  GlobalWorkerOptions.workerPort = worker;
  const task = getDocument({
    data: bytes,
    isEvalSupported: false,
    disableFontFace: true,
    useWorkerFetch: false,
    verbosity: 0,
  });
  try {
    const text = (await pdfLines(await task.promise)).join('\n');
    return text.trim() === '' ? { problem: NO_WORDS } : { text };
  } catch (error) {
    const name = error instanceof Error ? error.name : '';
    return { problem: PROBLEMS[name] ?? 'The PDF could not be read. Paste its text instead.' };
  } finally {
    await task.destroy();
    GlobalWorkerOptions.workerPort = null;
    worker.terminate();
  }
}
