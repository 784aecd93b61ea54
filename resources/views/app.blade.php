<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csp-nonce" content="{{ $nonce }}">
    <meta name="theme-color" content="#1d2326">
    <title>Dithermic</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    <link rel="manifest" href="/build/manifest.webmanifest">
    @vite('resources/js/main.ts')
</head>
<body>
    <div id="app"></div>
    <noscript>Dithermic needs JavaScript.</noscript>
</body>
</html>
