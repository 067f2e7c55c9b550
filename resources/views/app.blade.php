<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    <meta name="theme-color" content="#F7F4EE">
    <title>Sartal</title>
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    <link rel="apple-touch-icon" href="/icon-192.png">
    <link rel="manifest" href="/manifest.webmanifest">
    {{-- Text that is set in another type first moves what stands below it. --}}
    @foreach (['next' => [400, 600, 700], 'mono' => [400, 600]] as $face => $weights)
        @foreach ($weights as $weight)
            @php($font = "atkinson-hyperlegible-$face")
            <link rel="preload" as="font" type="font/woff2" crossorigin
                href="{{ Vite::asset("node_modules/@fontsource/$font/files/$font-latin-$weight-normal.woff2") }}">
        @endforeach
    @endforeach
    @vite('resources/js/main.ts')
</head>
<body>
    <div id="app"></div>
    <noscript>Sartal needs JavaScript.</noscript>
</body>
</html>
