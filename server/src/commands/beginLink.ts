import { closeBeginLinks, isEmpty, makeBeginLink } from '../features/begin/beginLink';
import { readConfig } from '../platform/config/config';
import { connect } from '../platform/db/connect';

/** Prints a link by which a business begins: where none is here yet, or with "another" beside those that are. */
const config = readConfig();
const databases = connect(config);
const another = process.argv.includes('another');
if (another || (await isEmpty(databases))) {
  if (!another) await closeBeginLinks(databases, Date.now());
  console.log(await makeBeginLink(databases, config.PUBLIC_URL, Date.now()));
}
await Promise.all(databases.pools.map((pool) => pool.end()));
