/** Called once by Next as the server starts. */
export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return;
  const { startServing } = await import('./server/start');
  await startServing();
}
