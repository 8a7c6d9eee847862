<script lang="ts">
	let { data } = $props();
</script>

<data.View {data} />
