/** Sent with everything, pages and files alike. @type {readonly (readonly [string, string])[]} */
export const securityHeaders = [
	['x-content-type-options', 'nosniff'],
	['x-frame-options', 'DENY'],
	['referrer-policy', 'same-origin'],
	['cross-origin-opener-policy', 'same-origin'],
	['permissions-policy', 'camera=(), microphone=(), geolocation=()']
];
