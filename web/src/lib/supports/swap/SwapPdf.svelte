<script lang="ts">
	/** The swap sheet as PDF, on either paper, with the builds that are ticked now. */
	interface Props {
		href: string;
		also: readonly string[];
		more?: Readonly<Record<string, string>>;
		/** The server prints what it holds: whatever is unsaved goes first. */
		before?: () => Promise<unknown>;
	}
	let { href, also, more = {}, before }: Props = $props();
	const at = (paper: string) => {
		const asked = new URLSearchParams({ paper, ...(also.length === 0 ? {} : { also: also.join(',') }) });
		for (const [name, value] of Object.entries(more)) if (value !== '') asked.set(name, value);
		return `${href}?${asked}`;
	};
</script>

<span class="pdf">
	<a class="second" href={at('A4')} target="_blank" onpointerdown={() => void before?.()} data-testid="pdf-A4"
		>PDF, A4</a
	>
	<a class="second" href={at('LETTER')} target="_blank" onpointerdown={() => void before?.()} data-testid="pdf-LETTER"
		>PDF, letter</a
	>
</span>

<style>
	.pdf {
		display: inline-flex;
		gap: 10px;
	}
	a {
		display: grid;
		place-items: center;
		text-decoration: none;
	}
</style>
