<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>Batch record, run {{ $run->number }}</title>
<style>
    @page { margin: 16mm 15mm 18mm 15mm; }
    body { font-family: 'DejaVu Sans'; font-size: 8.5pt; color: #1d2326; }
    h1 { font-size: 17pt; margin: 0 0 1mm 0; }
    h2 { font-size: 10.5pt; margin: 5mm 0 1.5mm 0; border-bottom: 0.4pt solid #1d2326; padding-bottom: 0.6mm; }
    p { margin: 0 0 1mm 0; }
    table { width: 100%; border-collapse: collapse; }
    td, th { text-align: left; vertical-align: top; padding: 0.7mm 2mm 0.7mm 0; }
    th { font-weight: bold; border-bottom: 0.3pt solid #8a8f92; }
    .n { text-align: right; }
    .facts td:nth-child(odd) { color: #555c60; width: 19%; }
    .facts td:nth-child(even) { width: 31%; font-weight: bold; }
    .grid td { border: 0.3pt solid #8a8f92; text-align: center; padding: 2mm; width: 25mm; font-size: 10pt; }
    .grid { width: auto; }
    .verdict { display: inline-block; font-size: 13pt; font-weight: bold; border: 1pt solid #1d2326; padding: 1mm 3mm; margin-bottom: 2mm; }
    .small { color: #555c60; font-size: 7.5pt; }
</style>
</head>
<body>
@php
    $n = static fn ($v, int $d = 0, string $unit = ''): string => $v === null
        ? '—'
        : number_format((float) $v, $d, '.', ' ').($unit === '' ? '' : ' '.$unit);
    $grid = $data->inspection?->grid ?? null;
    $units = [
        'temperature' => '°C',
        'length' => 'mm',
        'mass' => 'g',
        'minutes' => 'min',
        'seconds' => 's',
        'percent' => '%',
    ];
    $told = [];
    foreach ($data->summary->figures as $figure) {
        $told[] = [$figure->label, $n($figure->value, $figure->decimals, $units[$figure->dimension] ?? '')];
    }
    foreach ($data->procedure->schools as $id => $school) {
        $chosen = array_column($school['choices'], 'title', 'id')[$data->choices->{$id} ?? ''] ?? null;
        if ($chosen !== null) {
            $told[] = [$school['title'], $chosen];
        }
    }
    if ($data->pieces !== []) {
        $told[] = ['Good', (string) $data->summary->good];
        $told[] = ['Not good', (string) $data->summary->bad];
        foreach (array_count_values(array_merge(...array_map(static fn ($p) => $p->flags, $data->pieces))) as $flag => $many) {
            $told[] = ['Marked', "{$many} {$flag}"];
        }
    }
@endphp
<table><tr>
    <td><h1>{{ ucfirst($run->product->name) }}</h1><p>Batch record · run {{ $run->number }}</p></td>
    <td class="n"><span class="verdict">{{ strtoupper($run->verdict ?? $run->status) }}</span>@if($run->scrap_reason)<p>{{ $run->scrap_reason }}</p>@endif</td>
</tr></table>

<h2>Run</h2>
<table class="facts">
    <tr><td>Started</td><td>{{ $run->started_at->format('j M Y, H:i') }} UTC, {{ $run->starter->name }}</td><td>Ended</td><td>{{ $run->ended_at?->format('j M Y, H:i') ?? 'still running' }}{{ $run->ended_at ? ' UTC' : '' }}</td></tr>
    @foreach (array_chunk($data->summary->stations, 2) as $pair)
    <tr>@foreach ($pair as $station)<td>{{ ucfirst($station->title) }}</td><td>{{ $station->machine }}</td>@endforeach</tr>
    @endforeach
    @foreach ($data->materials as $m)
    <tr><td>Material</td><td>{{ $m->polymer }}, {{ $m->colour }} {{ $m->form }}@if ($m->mass_g !== null), {{ number_format($m->mass_g, 1, '.', ' ') }} g @endif</td><td>Lot and source</td><td>{{ $m->lot }}, {{ $m->source }}</td></tr>
@endforeach
    @foreach (array_chunk($told, 2) as $pair)
    <tr>@foreach ($pair as [$label, $value])<td>{{ $label }}</td><td>{{ $value }}</td>@endforeach</tr>
    @endforeach
    <tr><td>Procedure</td><td>{{ str_replace('_', ' ', $run->procedureVersion->key) }}, version {{ $run->procedureVersion->says() }}</td><td>Recipe</td><td>{{ $run->recipe ? 'version '.$run->recipe->version : 'none' }}</td></tr>
</table>

@if ($grid)
<h2>Check</h2>
<table><tr><td style="width: 42%">
    <table class="grid">
    @foreach (array_chunk($data->inspection->points, 3) as $row)
        <tr>@foreach ($row as $p)<td>{{ $n($p['t_mm'], 2) }}</td>@endforeach</tr>
    @endforeach
    </table><p class="small">mm; the first row is the −y side, the first column the −x side</p>
</td><td>
    <table class="facts">
        <tr><td>Mean</td><td>{{ $n($grid['mean'], 2, 'mm') }} of {{ $n($run->plan['nominal_mm'], 1, 'mm') }}</td><td>Range</td><td>{{ $n($grid['range_mm'], 2, 'mm') }} of {{ $n($run->plan['thickness_tolerance_mm'], 1, 'mm') }}</td></tr>
        <tr><td>Tilt x, y</td><td>{{ $n($grid['slope_mm_per_m']['x'], 2) }}, {{ $n($grid['slope_mm_per_m']['y'], 2, 'mm/m') }}</td><td>Bow</td><td>{{ $n($grid['bow_mm'], 2, 'mm') }}</td></tr>
        <tr><td>Mass</td><td>{{ $n($data->inspection->mass_g, 0, 'g') }}</td><td>Voids</td><td>{{ $n($data->inspection->porosity['porosity_pct'], 1, '%') }}</td></tr>
    </table>
    @foreach ($grid['advice'] as $advice)<p>{{ $advice }}</p>@endforeach
</td></tr></table>
@elseif (isset($data->inspection?->says))
<h2>Check</h2>
<p>{{ $data->inspection->says }}</p>
@endif

<h2>Safety</h2>
<p>@foreach ($run->safety['acknowledgements'] ?? [] as $a){{ $a['given'] ? 'Confirmed' : 'NOT confirmed' }}: {{ $a['text'] }} @endforeach</p>
@foreach ($run->safety['overrides'] ?? [] as $o)<p>Overridden in writing by {{ $o['by'] }}: {{ $o['id'] }}. {{ $o['reason'] }}</p>@endforeach
<p class="small">Wear: {{ implode(', ', $run->safety['required_ppe'] ?? []) }}. Keep to the machine's manual and to local codes.</p>

<h2>Log</h2>
<table>
    <tr><th style="width: 5%">#</th><th style="width: 21%">When (UTC)</th><th style="width: 17%">Who</th><th>What</th><th style="width: 26%">Values</th></tr>
    @foreach ($lines as $line)
    <tr><td>{{ $line['seq'] }}</td><td>{{ substr($line['at'], 0, 10) }} {{ substr($line['at'], 11, 8) }}</td><td>{{ $line['by'] }}</td><td>{{ $line['what'] }}</td><td>{{ $line['values'] }}</td></tr>
    @endforeach
</table>
<p class="small">An entry is never changed: a correction is a further entry that names the one it corrects.</p>
</body>
</html>
