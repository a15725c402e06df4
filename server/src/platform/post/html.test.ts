import fc from 'fast-check';
import { simpleParser } from 'mailparser';
import { expect, test } from 'vitest';
import { asHtml } from './html';

test('an address is one to tap, without the full stop behind it; the rest is as it was written', () => {
  const html = asHtml('Hello, see https://salon.example/owner#a.b.c. Ring us.');
  expect(html).toContain('<a href="https://salon.example/owner#a.b.c">https://salon.example/owner#a.b.c</a>. Ring us.');
  expect(html).not.toMatch(/<img|<script|style>|http-equiv/);
});

test('no word of a person becomes markup', () => {
  expect(asHtml('Dog <b onclick="x">& "Rex"</b> https://a.example/"onmouseover="x')).not.toMatch(
    /<b[ >]|onclick="|onmouseover="/,
  );
  expect(asHtml('x', '"><script>')).not.toContain('<script>');
});

test('read back as text by a program for mails, whatever was written is there', async () => {
  const words = fc.string({ unit: fc.constantFrom(...'aB9 .,&<>"\'/:#é\n'.split('')), minLength: 1, maxLength: 80 });
  await fc.assert(
    fc.asyncProperty(words, async (text) => {
      const { text: back = '' } = await simpleParser(`Content-Type: text/html; charset=utf-8\r\n\r\n${asHtml(text)}`);
      const plain = (each: string) => each.replace(/\s+/g, '');
      expect(plain(back)).toBe(plain(text));
    }),
  );
});
