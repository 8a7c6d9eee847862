// Opens the page that was asked for as soon as the server answers again; its address is this one's.
setInterval(async () => {
	try {
		if ((await fetch('/health', { cache: 'no-store' })).ok) location.reload();
	} catch {
		// Still away.
	}
}, 2000);
