import type { SheetView } from '@dewpond/contract';
import { renderToBuffer } from '@react-pdf/renderer';
import { registerFonts } from './fonts';
import { SheetDocument } from './SheetDocument';

/** The owner sheet as a PDF with real text, title and language. */
export function renderSheet(view: SheetView): Promise<Buffer> {
  registerFonts();
  return renderToBuffer(<SheetDocument view={view} />);
}
