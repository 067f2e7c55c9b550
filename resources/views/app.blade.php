<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    <meta name="theme-color" content="#F7F4EE">
    <title>Sartal</title>
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    @vite('resources/js/main.ts')
</head>
<body>
    <div id="app"></div>
    <noscript>Sartal needs JavaScript.</noscript>
</body>
</html>
