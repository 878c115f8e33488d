import { spawn, spawnSync } from 'node:child_process';
import { cpSync, existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));
const NODES = [
  [20, 19],
  [22, 12],
];

/** Stops with a sentence where Node is too old. */
/** The same range as `engines` in package.json: nothing is installed yet that could read it. */
export function checkNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (!NODES.some(([from, least]) => major === from && minor >= least)) {
    stop(
      `Fresh Tuck needs Node ${NODES.map((one) => `${one.join('.')} or newer of ${one[0]}`).join(', or ')}; this is ${process.versions.node}.`,
    );
  }
}

export function stop(sentence) {
  console.error(`\n${sentence}`);
  process.exit(1);
}

/** Runs a command with its output shown; resolves to its exit code and what it printed. */
export function run(command, args, { cwd = root, env = {}, quiet = false } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd, env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    const take = (stream) => (chunk) => {
      output += chunk;
      if (!quiet) stream.write(chunk);
    };
    child.stdout.on('data', take(process.stdout));
    child.stderr.on('data', take(process.stderr));
    child.on('error', (error) => resolve({ code: 127, output: `${output}${error.message}` }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

/** A program that a package brought along. */
export const bin = (name) => join(root, 'node_modules', '.bin', name);

const modified = (file) => (existsSync(file) ? statSync(file).mtimeMs : 0);

/** Newest change below folders, in ms. */
export function newest(paths) {
  return Math.max(
    0,
    ...paths.map((path) => {
      if (!existsSync(path)) return 0;
      const stat = statSync(path);
      if (!stat.isDirectory()) return stat.mtimeMs;
      return newest(
        readdirSync(path)
          .filter((name) => !['node_modules', 'dist', '.angular'].includes(name))
          .map((name) => join(path, name)),
      );
    }),
  );
}

/** Installs what package-lock.json names, if that is not what is installed. */
export async function install() {
  const lock = join(root, 'package-lock.json');
  if (modified(join(root, 'node_modules', '.package-lock.json')) >= modified(lock) && existsSync(bin('tsx'))) return;
  console.log('Installing packages; the first time takes a few minutes, as SQLite is compiled for this machine …');
  const { code, output } = await run('npm', ['ci', '--no-audit', '--no-fund']);
  if (code === 0) return;
  if (/node-gyp|gyp ERR|make: not found|not found: make|g\+\+/.test(output)) {
    stop('SQLite could not be compiled. It needs a C++ compiler, make and Python 3 (on Debian: apt-get install build-essential python3).');
  }
  stop('npm ci failed; what it printed above says why.');
}

const source = (room, file = 'index') => join(root, room, 'src', `${file}.ts`);

/** Folders of the core that others may import from: those with an index. */
const coreRooms = () => readdirSync(join(root, 'core', 'src')).filter((room) => existsSync(source('core', `${room}/index`)));

/** Bundles TypeScript for Node with the workspaces' sources in it, and the migrations beside it. */
export async function bundle(entryPoints, outdir) {
  const esbuild = await import('esbuild');
  await esbuild.build({
    // What answers beside the request loop and copies is a file of its own, next to whatever asks it.
    entryPoints: {
      ...entryPoints,
      reader: source('server', 'asking/worker'),
      copying: source('server', 'backup/worker'),
      printing: source('server', 'print/worker'),
    },
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    sourcemap: true,
    logLevel: 'warning',
    alias: {
      ...Object.fromEntries(coreRooms().map((room) => [`@fresh-tuck/core/${room}`, source('core', `${room}/index`)])),
      '@fresh-tuck/contract/testing': source('contract', 'testing/requests'),
      '@fresh-tuck/contract/choices': source('contract', 'choices'),
      '@fresh-tuck/contract/told': source('contract', 'told'),
      '@fresh-tuck/contract': source('contract'),
      '@fresh-tuck/server': source('server'),
    },
  });
  cpSync(join(root, 'server', 'src', 'db', 'migrations'), join(outdir, 'migrations'), { recursive: true });
}

const outFolder = join(root, 'dist');
export const webFolder = join(root, 'web', 'dist');

/** Builds the interface and the server where their sources are newer than what was built. */
export async function build() {
  const shared = ['core', 'contract', 'package-lock.json'].map((name) => join(root, name));
  if (modified(join(webFolder, 'index.html')) < newest([...shared, join(root, 'web')])) {
    console.log('Building the interface …');
    const { code } = await run(bin('ng'), ['build'], { cwd: join(root, 'web'), env: { NG_CLI_ANALYTICS: 'false' } });
    if (code !== 0) stop('The interface could not be built; what was printed above says why.');
  }
  if (modified(join(outFolder, 'demo.mjs')) < newest([...shared, join(root, 'server'), join(root, 'demo')])) {
    console.log('Building the server …');
    await bundle({ server: source('server', 'main'), demo: source('demo', 'main'), probe: source('demo', 'probe/main') }, outFolder);
  }
}

export const serverFile = join(outFolder, 'server.mjs');
export const demoFile = join(outFolder, 'demo.mjs');

/** Installs packages of the distribution, where that may be done. @returns whether it was tried */
function distribution(what, ...packages) {
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) return false;
  console.log(`Installing ${what} from the distribution’s packages …`);
  const apt = (...args) =>
    spawnSync('apt-get', ['-o', 'DPkg::Lock::Timeout=300', ...args], {
      stdio: 'inherit',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  apt('update', '-qq');
  apt('install', '-y', '-qq', ...packages);
  return true;
}

/** Path of a Chromium that tests can drive, installed from Debian's packages where that may be done. */
export function chromium() {
  const found = [process.env.CHROME_BIN, '/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'].find(
    (path) => path && existsSync(path),
  );
  if (found) return found;
  if (distribution('Chromium', 'chromium') && existsSync('/usr/bin/chromium')) return '/usr/bin/chromium';
  stop('The tests need Chromium. Install it (on Debian: apt-get install chromium) or name it in CHROME_BIN.');
  return '';
}

/** The tools that look at PDFs from outside, installed where that may be done. */
export function poppler() {
  const there = () => ['pdftotext', 'pdftoppm', 'pdffonts', 'pdfinfo'].every((name) => spawnSync(name, ['-v']).error === undefined);
  if (there() || (distribution('Poppler', 'poppler-utils') && there())) return;
  stop('The tests look at PDFs with Poppler. Install it (on Debian: apt-get install poppler-utils).');
}
