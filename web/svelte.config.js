import adapter from '@sveltejs/adapter-node';

/** @type {import('@sveltejs/kit').Config} */
export default {
	kit: {
		adapter: adapter(),
		// hooks.server.ts checks the origin of every write, not only of forms, and answers in the shape of every other error.
		csrf: { trustedOrigins: ['*'] },
		version: { pollInterval: 0 },
		csp: {
			// By its content and not by a number used once: a page that is given again is the same page.
			mode: 'hash',
			directives: {
				'default-src': ['self'],
				'script-src': ['self'],
				// The chart library puts two style sheets of its own into the page; these are they, by their content.
				'style-src-elem': [
					'self',
					'sha256-VLYexD6+koEqzP28Ll4y0/LOKUrZBbwWOlmvkdQtKmw=',
					'sha256-cJUBhQPEW+O7+PAZUHiwm1+OdkmD0bWMUq/knNQGWmk='
				],
				// Drawings place their labels by style attributes; no element or script may be inline.
				'style-src-attr': ['unsafe-inline'],
				'img-src': ['self', 'data:'],
				'font-src': ['self'],
				'connect-src': ['self'],
				'worker-src': ['self'],
				'object-src': ['none'],
				'base-uri': ['self'],
				'form-action': ['self'],
				'frame-ancestors': ['none']
			}
		}
	}
};
