// Asks for the owner's page while its program is still on the way: over a slow network that is a journey less. The secret goes
// where the program sends it, too: into a header, and into no address. Not bundled: it has to be there before what is.
if (location.hash.length > 1)
  window.ownerPageComing = fetch('/api/owner', {
    headers: { authorization: 'Link ' + location.hash.slice(1) },
    referrerPolicy: 'no-referrer',
  }).catch(() => null);

// The first name of a day takes a slow telephone a fifth of a second: it is made while the network is waited for.
new Intl.DateTimeFormat(navigator.language.startsWith('es') ? 'es' : 'en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
}).format(0);
