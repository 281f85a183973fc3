<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>Mint Carry</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite('resources/web/main.ts')
</head>
<body>
    <div id="app"></div>
    <noscript>Mint Carry needs JavaScript.</noscript>
</body>
</html>
