/** A page of a PDF, drawn. */
export interface DrawnPage {
  url: string;
  width: number;
  height: number;
}

export interface OpenPdf {
  pages: number;
  /** Draws a page, from 1 on, so wide in pixels; null when it cannot be drawn. */
  draw: (number: number, width: number) => Promise<DrawnPage | null>;
}

/** The bytes of a PDF as pages that can be drawn; why not, when it is locked with a password, or no sound PDF. */
export async function openPdf(bytes: ArrayBuffer): Promise<OpenPdf | 'locked' | 'broken'> {
  const { getDocument, GlobalWorkerOptions } = await import('pdfjs-dist');
  GlobalWorkerOptions.workerSrc = new URL('pdfjs-dist/build/pdf.worker.min.mjs', import.meta.url).href;
  try {
    const pdf = await getDocument({ data: new Uint8Array(bytes), isEvalSupported: false, verbosity: 0 }).promise;
    return {
      pages: pdf.numPages,
      async draw(number, width) {
        try {
          const page = await pdf.getPage(number);
          const viewport = page.getViewport({ scale: width / page.getViewport({ scale: 1 }).width });
          const canvas = document.createElement('canvas');
          canvas.width = Math.round(viewport.width);
          // A strip of paper kilometres long is cut.
          canvas.height = Math.min(Math.round(viewport.height), 8 * width);
          await page.render({ canvas, viewport }).promise;
          page.cleanup();
          const picture = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.9));
          return picture && { url: URL.createObjectURL(picture), width: canvas.width, height: canvas.height };
        } catch {
          return null;
        }
      },
    };
  } catch (error) {
    return error instanceof Error && error.name === 'PasswordException' ? 'locked' : 'broken';
  }
}
