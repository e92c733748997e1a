<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="theme-color" content="#2B2119">
    <title>Honest Core</title>
    <link rel="manifest" href="/app.webmanifest">
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    @vite('resources/js/main.ts')
</head>
<body>
    <div id="app"><p class="first">Honest Core</p></div>
    <noscript>Honest Core needs JavaScript to draw its maps and strips.</noscript>
</body>
</html>
