<!-- The hatchings every drawing refers to, once a page. -->
<svg class="defs" aria-hidden="true">
	<defs>
		<pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
			<rect width="6" height="6" fill="var(--panel)" />
			<path d="M0 0V6" stroke="var(--edge)" stroke-opacity="0.42" stroke-width="1" />
		</pattern>
		<pattern id="hatch-chosen" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
			<rect width="6" height="6" fill="var(--press-wash)" />
			<path d="M0 0V6" stroke="var(--press)" stroke-opacity="0.5" stroke-width="1" />
		</pattern>
	</defs>
</svg>

<style>
	.defs {
		position: absolute;
		width: 0;
		height: 0;
	}
</style>
