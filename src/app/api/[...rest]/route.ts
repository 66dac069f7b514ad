const unknown = (): Response =>
  Response.json({ error: 'There is nothing at this address.' }, { status: 404 });

export { unknown as GET, unknown as POST, unknown as PUT, unknown as PATCH, unknown as DELETE };
