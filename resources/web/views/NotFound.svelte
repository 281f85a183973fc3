<script lang="ts">
    import TopBar from '../parts/TopBar.svelte';
</script>

<TopBar />
<main>
    <h1>This address leads nowhere</h1>
    <p><a href="#/">Back to the day book</a></p>
</main>

<style>
    main {
        padding: 40px 20px;
        display: grid;
        gap: 12px;
    }
</style>
