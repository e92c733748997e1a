<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex, nofollow">
    <title>This page has ended</title>
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    <style>
        @include('grower-style')
    </style>
</head>
<body>
<main>
    <h1>There is nothing at this address any more</h1>
    <p>It has ended by itself, was withdrawn, or was not copied whole. Ask whoever sent it to you for a new one, and spread nothing
        by an old copy before you have it.</p>
</main>
</body>
</html>
