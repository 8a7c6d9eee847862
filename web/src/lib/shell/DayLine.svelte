<script lang="ts">
	/* eslint-disable max-lines -- mostly style: one line that must fit every width. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import { type Person, type Theme, themes, type UnitSystem } from '$lib/model/person';
	import { showsMore } from '$lib/sheet/showsMore';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { lamp } from './lamp.svelte';
	import { liveStations } from './live.svelte';
	import { type StationKey, stations, type StationStates } from './stations';

	interface Props {
		current: string;
		hrefs: Readonly<Record<StationKey, string>>;
		states: StationStates;
		person: Person;
		/** In which the page below is written: they turn with it and not before, since typed figures are read in them. */
		units: UnitSystem;
		people: readonly Person[];
		onunits: (units: UnitSystem) => void;
		ontheme: (theme: Theme) => void;
		onperson: (id: string) => void;
		onkeys: () => void;
	}
	let { current, hrefs, states, person, units, people, onunits, ontheme, onperson, onkeys }: Props = $props();

	const nextTheme = $derived(themes[(themes.indexOf(person.theme) + 1) % themes.length] as Theme);
	const stateOf = (key: StationKey) => liveStations[key] ?? states[key] ?? { offset: null, words: 'nothing yet' };
</script>

<header>
	<a class="brand" href="/payload" aria-label="Poise, all payloads">
		<svg width="20" height="46" viewBox="0 0 20 46" aria-hidden="true">
			<path d="M10 0v14" stroke="currentColor" stroke-width="2" />
			<path d="M4 14h12l2 6-7 22q-1 3-2 0l-7-22z" fill="currentColor" />
		</svg>
		<span>Poise</span>
	</a>
	<nav aria-label="Day line">
		<ol {@attach showsMore}>
			{#each stations as { key, name }, index (key)}
				{@const state = stateOf(key)}
				<li class:current={current === key}>
					<a href={hrefs[key]} aria-current={current === key ? 'page' : undefined} data-station={key}>
						<span class="top"><Vial size="tiny" offset={state.offset} label={state.words} /><kbd>{index + 1}</kbd></span
						>
						<span class="name">{name}</span>
					</a>
					{#if key === 'balance'}
						<a class="choose" href="/balance?choose" title="Choose payload and support (s)" data-testid="choose-support"
							><svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true"
								><path d="M1 3h12M1 7h12M1 11h12" stroke="currentColor" stroke-width="1.4" /><circle
									cx="5"
									cy="3"
									r="2"
									fill="currentColor"
								/><circle cx="10" cy="7" r="2" fill="currentColor" /><circle
									cx="4"
									cy="11"
									r="2"
									fill="currentColor"
								/></svg
							><span class="sr-only">Choose payload and support</span></a
						>
					{/if}
				</li>
			{/each}
			<li class="shelf" class:current={current === 'shelf'}>
				<a href="/shelf" aria-current={current === 'shelf' ? 'page' : undefined}>
					<span class="top"
						><svg width="26" height="14" viewBox="0 0 26 14" aria-hidden="true"
							><path
								d="M1 12.5h24M4 12V4h6v8M12 12V1h4v11M18 12V6h5v6"
								fill="none"
								stroke="currentColor"
								stroke-width="1.4"
							/></svg
						><kbd>g</kbd></span
					>
					<span class="name">Shelf</span>
				</a>
			</li>
		</ol>
	</nav>
	<div class="person">
		<label class="sr-only" for="who">Who is working</label>
		<Choice id="who" value={person.id} onchange={(event) => onperson(event.currentTarget.value)}>
			{#each people as each (each.id)}<option value={each.id}>{each.name}</option>{/each}
		</Choice>
		<Button
			onclick={() => onunits(person.units === 'metric' ? 'imperial' : 'metric')}
			title="Change units (u)"
			data-testid="units"
		>
			<span class="sr-only">Units: </span>{units === 'metric' ? 'mm · g' : 'in · lb'}
		</Button>
		<Button onclick={() => ontheme(nextTheme)} title="Change lights, to {nextTheme}" data-testid="theme">
			<span class="sr-only">Lights: </span>{person.theme}
		</Button>
		{#if person.theme === 'blackout'}
			<Button class="lamp" onclick={() => lamp.turn(-1)} disabled={lamp.atLeast} title="Dimmer ([)"
				><span aria-hidden="true">−</span><span class="sr-only">Dimmer</span></Button
			>
			<Button class="lamp" onclick={() => lamp.turn(1)} disabled={lamp.atMost} title="Brighter (])"
				><span aria-hidden="true">+</span><span class="sr-only">Brighter</span></Button
			>
		{/if}
		<Button class="keys" onclick={onkeys} title="Keys (?)" aria-label="Keys">?</Button>
	</div>
</header>

<style>
	header {
		display: flex;
		align-items: stretch;
		gap: 28px;
		padding: 0 18px 0 26px;
		min-height: 64px;
		border-bottom: 2px solid var(--rule);
		background: var(--ground);
	}
	.brand {
		display: flex;
		align-items: center;
		gap: 10px;
		font-size: 24px;
		font-weight: 700;
		color: var(--ink);
		text-decoration: none;
	}
	nav {
		flex: 1;
		min-width: 0;
	}
	ol {
		display: flex;
		height: 100%;
		overflow-x: auto;
		scrollbar-width: none;
	}
	li {
		display: flex;
		border-bottom: 4px solid transparent;
		margin-bottom: -2px;
	}
	li a {
		display: flex;
		flex-direction: column;
		justify-content: center;
		gap: 3px;
		padding: 6px 14px 2px;
		min-width: 96px;
		color: var(--quiet);
		text-decoration: none;
	}
	li a:hover {
		color: var(--ink);
	}
	li .choose {
		min-width: 44px;
		padding: 0;
		align-items: center;
		margin-left: -10px;
	}
	.current {
		border-bottom-color: var(--press);
	}
	.current a {
		color: var(--ink);
		font-weight: 700;
	}
	.person > :global(.lamp:disabled) {
		opacity: 0.4;
	}
	.top {
		display: flex;
		align-items: center;
		gap: 8px;
		height: 16px;
	}
	kbd {
		font-family: var(--font-mono);
		font-size: 12px;
		font-weight: 400;
		color: var(--quiet);
	}
	.name {
		font-size: 16px;
		line-height: 1.15;
	}
	.shelf {
		margin-left: auto;
	}
	.shelf a {
		min-width: 72px;
	}
	.person {
		display: flex;
		align-items: center;
		gap: 6px;
	}
	.person :global(select),
	.person :global(button) {
		min-height: 44px;
		border: 1px solid transparent;
		background-color: transparent;
		color: var(--ink);
		font-size: 14px;
		padding: 0 10px;
		border-radius: 6px;
		white-space: nowrap;
	}
	.person :global(select) {
		padding-right: 32px;
		font-weight: 700;
	}
	.person :global(button:hover),
	.person :global(select:hover) {
		background-color: var(--hover);
	}
	.person :global(.keys) {
		font-weight: 700;
		width: 44px;
	}
	@media (max-width: 1100px) {
		header {
			flex-wrap: wrap;
			gap: 0 12px;
			padding: 0 12px;
		}
		nav {
			order: 3;
			flex-basis: 100%;
		}
		.person {
			margin-left: auto;
		}
		.brand {
			min-height: 48px;
		}
		li a {
			padding: 6px 10px 6px;
			min-width: 76px;
		}
	}
	@media (max-width: 500px) {
		.brand span {
			font-size: 20px;
		}
		kbd,
		.person > :global(.keys) {
			display: none;
		}
		.person :global(select) {
			max-width: 136px;
		}
		.person :global(button) {
			padding: 0 7px;
		}
		.name {
			font-size: 14px;
		}
		li a {
			min-width: 64px;
			padding-inline: 6px;
		}
	}
</style>
