<script lang="ts">
	import type { Attachment } from 'svelte/attachments';

	/** What can be taken hold of on a drawing: a ring, with room round it for a thumb, that also takes the keyboard. */
	interface Props {
		x: number;
		y: number;
		label: string;
		testId: string;
		/** What the arrows move along, when it is one thing; else it is something to press. */
		slider?: { readonly now: number; readonly least: number; readonly most: number } | undefined;
		chosen?: boolean;
		r?: number;
		/** From the `Pull` that it is pulled with. */
		hold: Attachment<SVGElement>;
		onkeydown: (event: KeyboardEvent) => void;
		onsettle: () => void;
		onfocus?: (() => void) | undefined;
	}
	let {
		x,
		y,
		label,
		testId,
		slider = undefined,
		chosen = false,
		r = 8,
		hold,
		onkeydown,
		onsettle,
		onfocus = undefined
	}: Props = $props();
</script>

<!-- It is one or the other of two interactive roles. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<g
	class:chosen
	role={slider === undefined ? 'button' : 'slider'}
	tabindex="0"
	aria-label={label}
	aria-valuenow={slider?.now}
	aria-valuemin={slider?.least}
	aria-valuemax={slider?.most}
	data-testid={testId}
	data-pull
	{@attach hold}
	{onkeydown}
	onkeyup={onsettle}
	{onfocus}
>
	<circle class="room" cx={x} cy={y} r="22" />
	<circle class="ring" cx={x} cy={y} {r} />
</g>

<style>
	g {
		cursor: grab;
		touch-action: none;
	}
	g:focus {
		outline: none;
	}
	.room {
		fill: transparent;
	}
	.ring {
		fill: var(--panel);
		stroke: var(--press);
		stroke-width: 2.4;
	}
	.chosen .ring {
		fill: var(--spirit);
	}
	g:focus-visible .ring {
		stroke-width: 5;
	}
</style>
