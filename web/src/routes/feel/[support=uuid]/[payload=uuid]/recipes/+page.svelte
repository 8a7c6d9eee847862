<script lang="ts">
	import RecipesView from '$lib/stations/feel/RecipesView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Recipes: {data.payload.name} on {data.support.name} · Poise</title></svelte:head>
<RecipesView person={data.person} recipes={data.recipes} find={data.find} />
