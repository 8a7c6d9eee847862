<script lang="ts">
	import type { ApexOptions } from 'apexcharts';
	import { onMount } from 'svelte';

	/** A curve where the curve is the answer. The chart library arrives only when one is on the page. */
	interface Props {
		/** Each line's name, points [x, y], and whether it is drawn as dots, a full or a broken line. */
		lines: readonly {
			readonly name: string;
			readonly points: readonly (readonly [number, number])[];
			readonly as: 'dots' | 'line' | 'broken';
		}[];
		xTitle: string;
		yTitle: string;
		/** What the picture shows, in words, for who cannot see it. */
		label: string;
		height?: number;
		yDecimals?: number;
		/** The least that the y axis spans, in its unit: below it is rounding and hand, not news. */
		yLeast?: number;
		xDecimals?: number;
		/** Cuts off what would flatten the rest. */
		yMost?: number | undefined;
	}
	let {
		lines,
		xTitle,
		yTitle,
		label,
		height = 300,
		yDecimals = 1,
		yLeast = 1,
		xDecimals = 0,
		yMost = undefined
	}: Props = $props();

	let place = $state<HTMLElement>();
	interface Drawn {
		updateOptions(options: ApexOptions, redraw?: boolean, animate?: boolean): Promise<unknown>;
		destroy(): void;
	}
	let chart: Drawn | undefined;

	const css = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
	/** Widens an axis that would otherwise blow up what is next to nothing. */
	function leastSpan(): { readonly min: number; readonly max: number; readonly tickAmount: number } | object {
		const values = lines.flatMap(({ points }) => points.map(([, y]) => y)).filter(Number.isFinite);
		const [low, high] = [Math.min(...values), Math.max(...values)];
		if (values.length === 0 || high - low >= yLeast) return {};
		const middle = (low + high) / 2;
		return { min: middle - yLeast / 2, max: middle + yLeast / 2, tickAmount: 4 };
	}
	function options(): ApexOptions {
		const text = { colors: css('--quiet'), fontFamily: 'inherit', fontSize: '13px' };
		const colours = [css('--press'), css('--ink'), css('--clay'), css('--clay')];
		return {
			chart: {
				type: 'line',
				height,
				toolbar: { show: false },
				zoom: { enabled: false },
				animations: { enabled: false },
				fontFamily: 'inherit',
				background: 'transparent'
			},
			series: lines.map(({ name, points }) => ({ name, data: points.map(([x, y]) => ({ x, y })) })),
			colors: lines.map((_, index) => colours[index % colours.length] ?? css('--ink')),
			stroke: {
				width: lines.map((line) => (line.as === 'dots' ? 0 : 2)),
				dashArray: lines.map((line) => (line.as === 'broken' ? 6 : 0)),
				curve: 'straight'
			},
			markers: { size: lines.map((line) => (line.as === 'dots' ? 5 : 0)), strokeWidth: 0 },
			xaxis: {
				type: 'numeric',
				title: { text: xTitle, style: { color: css('--quiet'), fontWeight: 400 } },
				labels: { style: text, formatter: (value: string) => Number(value).toFixed(xDecimals).replace(/^-0$/, '0') },
				axisBorder: { color: css('--ink') }
			},
			yaxis: {
				...(yMost === undefined ? leastSpan() : { max: yMost, min: 0, tickAmount: 6 }),
				title: { text: yTitle, style: { color: css('--quiet'), fontWeight: 400 } },
				labels: { style: text, formatter: (value: number) => value.toFixed(yDecimals).replace(/^-(0(?:\.0+)?)$/, '$1') }
			},
			grid: { borderColor: css('--rule') },
			legend: {
				onItemClick: { toggleDataSeries: false },
				labels: { colors: css('--ink') },
				position: 'top',
				horizontalAlign: 'left'
			},
			tooltip: { theme: document.documentElement.dataset.theme === 'day' ? 'light' : 'dark' }
		};
	}

	onMount(() => {
		let gone = false;
		void import('apexcharts').then(({ default: ApexCharts }) => {
			if (gone || place === undefined) return;
			const made = new ApexCharts(place, options());
			void made.render();
			chart = made;
		});
		return () => {
			gone = true;
			chart?.destroy();
		};
	});
	$effect(() => {
		const next = options();
		void chart?.updateOptions(next, false, false);
	});
</script>

<div class="chart" role="figure" aria-label={label} bind:this={place} style:min-height="{height}px"></div>

<style>
	.chart {
		width: 100%;
	}
</style>
