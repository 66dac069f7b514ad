import { installPackages, tool } from './setup.mjs';

installPackages();
tool('next', ['dev', '--hostname', '127.0.0.1', '--port', process.env.PORT ?? '4310']);
