<script lang="ts">
	/** On paper alone: what the sheet is of, and the day it was printed. On the screen the page's head says it. */
	let { words }: { words: string } = $props();
	const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
</script>

<p aria-hidden="true"><strong>{words}</strong> <span>{today}</span></p>

<style>
	p {
		display: none;
	}
	@media print {
		p {
			display: flex;
			justify-content: space-between;
			gap: 20px;
			font-size: 14px;
			padding-bottom: 4px;
			margin-bottom: 10px;
			border-bottom: 1.5px solid #000;
		}
	}
</style>
