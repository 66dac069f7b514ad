import { root, tool } from './setup.mjs';
import { writeNotices } from './notices.mjs';

process.chdir(root);
await writeNotices();
tool('next', ['build']);
