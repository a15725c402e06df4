import { renderToBuffer } from '@react-pdf/renderer';
import { registerFonts } from '../paper/fonts';
import { SheetDocument, type PrintedSheet } from './SheetDocument';

/** The owner sheet as a PDF with real text, title and language. */
export function renderSheet(sheet: PrintedSheet): Promise<Buffer> {
  registerFonts();
  return renderToBuffer(<SheetDocument {...sheet} />);
}
