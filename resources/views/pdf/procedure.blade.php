<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>{{ $data->title }}</title>
<style>
    @page { margin: 14mm 14mm 16mm 14mm; }
    body { font-family: 'DejaVu Sans'; font-size: 10pt; color: #1d2326; }
    h1 { font-size: 20pt; margin: 0; }
    h2 { font-size: 12pt; margin: 5mm 0 1mm 0; border-bottom: 1pt solid #1d2326; }
    p { margin: 0 0 0.8mm 0; }
    table { width: 100%; border-collapse: collapse; }
    tr { page-break-inside: avoid; }
    td { vertical-align: top; padding: 1.6mm 2mm 1.6mm 0; border-bottom: 0.3pt solid #b9bdbf; }
    .no { width: 9mm; font-size: 15pt; font-weight: bold; }
    .who { width: 36mm; font-size: 8.5pt; color: #444b4f; }
    .do { font-size: 11pt; }
    .why, .small { color: #555c60; font-size: 8pt; }
    .caution { font-weight: bold; }
    .box { display: inline-block; width: 3mm; height: 3mm; border: 0.5pt solid #1d2326; }
</style>
</head>
<body>
@php
    $places = $data->worked->places;
    $stages = array_column($data->worked->stages, 'title', 'id');
    $words = [
        'setup' => 'once, before the pieces',
        'piece' => 'with every piece',
        'closing' => 'once, after the pieces',
    ];
    $pieces = in_array('piece', array_column($data->worked->steps, 'phase'), true);
    $last = null;
    $number = 0;
@endphp
<h1>{{ $data->title }}</h1>
<p class="small">Version {{ $data->version }}{{ $data->own > 0 ? ", our own {$data->own}" : '' }}. The screen has the numbers of each run; this sheet has the way. Local codes and whoever is licensed for installation stand above it.</p>
@foreach ($data->worked->steps as $step)
    @php($head = $stages[$step['stage']].($pieces ? ', '.$words[$step['phase'] ?? 'setup'] : ''))
    @if ($head !== $last)
        @if ($last !== null)</table>@endif
        <h2>{{ $head }}</h2>
        <table>
        @php($last = $head)
    @endif
    <tr>
        <td class="no">{{ ++$number }}</td>
        <td>
            <p class="do"><strong>{{ $step['title'] }}.</strong> {{ $step['do'] }}</p>
            @if ($step['why'] !== '')<p class="why">{{ $step['why'] }}</p>@endif
            @foreach ($step['cautions'] ?? [] as $caution)<p class="caution">&#9650; {{ $caution }}</p>@endforeach
            @foreach ($step['confirm'] ?? [] as $item)<p><span class="box"></span> {{ $item['text'] }}</p>@endforeach
        </td>
        <td class="who">{{ $places[$step['place']]['title'] }}<br>{{ $step['people'] === 0 ? 'nobody needed' : ($step['people'] === 1 ? 'one person' : $step['people'].' people') }}{{ isset($step['typical_min']) ? ', usually '.$step['typical_min'].' min' : '' }}
            @foreach ($step['gate'] ?? [] as $gate)@if (($gate['says'] ?? '') !== '')<br>Wait for: {{ $gate['says'] }}@endif @endforeach</td>
    </tr>
@endforeach
</table>
</body>
</html>
