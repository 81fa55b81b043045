import sharp from 'sharp';
const [out, ...files] = process.argv.slice(2);
const imgs = await Promise.all(files.map(async (f) => ({ f, ...(await sharp(f).metadata()) })));
const rows: (typeof imgs)[] = []; const per = 2; for (let i = 0; i < imgs.length; i += per) rows.push(imgs.slice(i, i + per));
let y = 0, W = 0; const comp: { input: string; left: number; top: number }[] = [];
for (const r of rows) { let x = 0, h = 0; for (const i of r) { comp.push({ input: i.f, left: x, top: y }); x += i.width! + 8; h = Math.max(h, i.height!); } W = Math.max(W, x); y += h + 8; }
await sharp({ create: { width: W, height: y, channels: 3, background: '#f0f' } }).composite(comp).png().toFile(out);
