<script lang="ts">
	/** What lies in the database and cannot be read, named, with what to do; nothing of it is lost. */
	interface Props {
		rows: readonly { readonly what: string; readonly id: string; readonly name: string; readonly why: string }[];
	}
	let { rows }: Props = $props();
</script>

{#if rows.length > 0}
	<aside role="note" data-testid="unreadable">
		<p>
			<strong>{rows.length === 1 ? 'One thing' : `${rows.length} things`} cannot be read</strong> and {rows.length === 1
				? 'is'
				: 'are'} left out here. Nothing of {rows.length === 1 ? 'it' : 'them'} is lost: bring this Poise up to date and open
			the page again; if that does not help, take the newest copy of the database, or make {rows.length === 1
				? 'it'
				: 'them'} anew.
		</p>
		<ul>
			{#each rows as { what, id, name, why } (id)}
				<li><strong>{name === '' ? 'without a name' : name}</strong> ({what}): {why}</li>
			{/each}
		</ul>
	</aside>
{/if}

<style>
	aside {
		border: 2px solid var(--clay);
		border-radius: 6px;
		padding: 12px 16px;
		margin: 10px 0;
		font-size: 15px;
		max-width: 76ch;
	}
	ul {
		margin-top: 6px;
	}
	li {
		padding: 4px 0;
	}
</style>
