import { getTableName, is, Table } from 'drizzle-orm';
import * as schema from './schema';

/** Every table there is, as queries name it. */
export const tableNames: readonly string[] = Object.values(schema)
	.filter((each) => is(each, Table))
	.map((table) => getTableName(table as Table));
