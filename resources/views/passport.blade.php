<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex, nofollow">
    <title>How this part was made</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    <style nonce="{{ $nonce }}">
        body { margin: 0; background: #ece7e0; color: #1d2326; font: 1.15rem/1.45 'Atkinson Hyperlegible Next', 'Atkinson Hyperlegible', system-ui, sans-serif; }
        main { max-width: 34rem; margin: 0 auto; padding: 1.5rem 1.2rem 3rem; }
        h1 { font-size: 1.7rem; line-height: 1.2; }
        dl { margin: 0; background: #fcfbf7; border-radius: 4px; padding: .4rem 1.2rem; }
        dl div { padding: .8rem 0; }
        dl div + div { border-top: 1px solid #cfc8bb; }
        dt { color: #4f575b; font-size: 1rem; }
        dd { margin: 0; font-size: 1.3rem; font-weight: 650; overflow-wrap: anywhere; }
    </style>
</head>
<body>
<main>
@if ($lines === null)
    <h1>There is nothing here</h1>
    <p>No part has this code, or its maker no longer shows anything of it.</p>
@else
    <h1>How this part was made</h1>
    <dl>
@foreach ($lines as $what => $says)
        <div><dt>{{ $what }}</dt><dd>{{ $says }}</dd></div>
@endforeach
    </dl>
@endif
</main>
</body>
</html>
