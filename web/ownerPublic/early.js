// Asks for the owner's page while its program is still on the way: over a slow network that is a journey less. The secret goes
// where the program sends it, too: into a header, and into no address. Not bundled: it has to be there before what is.
if (location.hash.length > 1)
  window.ownerPageComing = fetch('/api/owner', {
    headers: { authorization: 'Link ' + location.hash.slice(1) },
    referrerPolicy: 'no-referrer',
  }).catch(() => null);
