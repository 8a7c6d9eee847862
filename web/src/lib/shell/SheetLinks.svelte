<script lang="ts">
	import { page } from '$app/state';
	import { showsMore } from '$lib/sheet/showsMore';

	/** The sheets that belong to one bench, as a quiet line of words. */
	interface Props {
		label: string;
		/** The page's heading, for whoever does not see the page; absent where the sheet has one of its own. */
		heading?: string | undefined;
		links: readonly { readonly href: string; readonly words: string; readonly note?: string | null }[];
	}
	let { label, heading = undefined, links }: Props = $props();
</script>

{#if heading !== undefined}<h1 class="sr-only">{heading}</h1>{/if}
<nav aria-label={label} {@attach showsMore}>
	{#each links as { href, words, note } (href)}
		<a {href} aria-current={page.url.pathname === href.split('?')[0] ? 'page' : undefined}
			>{words}{#if note}<span class="note">{note}</span>{/if}</a
		>
	{/each}
</nav>

<style>
	nav {
		display: flex;
		flex-wrap: wrap;
		gap: 0 18px;
		padding: 0 18px 0 26px;
		font-size: 15px;
	}
	a {
		min-height: 40px;
		display: inline-flex;
		align-items: center;
		gap: 6px;
		text-decoration: none;
		border-bottom: 2px solid transparent;
	}
	a:hover {
		border-bottom-color: var(--rule);
	}
	a[aria-current='page'] {
		color: var(--ink);
		font-weight: 700;
		border-bottom-color: var(--spirit);
	}
	.note {
		font-size: 12px;
		color: var(--clay);
		font-weight: 700;
	}
	@media (max-width: 700px) {
		nav {
			padding: 0 14px;
			gap: 0 18px;
			flex-wrap: nowrap;
			overflow-x: auto;
			scrollbar-width: none;
			white-space: nowrap;
		}
		a {
			min-height: 44px;
		}
	}
	@media print {
		nav {
			display: none;
		}
	}
</style>
