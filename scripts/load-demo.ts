import { outside } from '../src/server/outside';
import { departments } from '../src/server/db/schema/people';
import { loadDemo } from '../src/demo/load';

/** Loads the demo department, unless the database already holds one. */
const out = await outside();
const there = await out.db.read.select().from(departments);
if (there.length > 0) console.log('The database already holds a department; nothing is loaded.');
else await loadDemo(out, (line) => console.log(`  ${line}`));
out.db.close();
