<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="70mm" viewBox="0 0 1000 700" font-family="Helvetica">
<rect width="1000" height="700" fill="#ffffff"/>
<rect x="8" y="8" width="984" height="684" fill="none" stroke="#000000" stroke-width="6"/>
<text x="40" y="{{ mb_strlen($large) > 5 ? 150 : 190 }}" font-size="{{ mb_strlen($large) > 5 ? 108 : 190 }}" font-weight="bold">{{ $large }}</text>
@foreach ($lines as $i => $line)
<text x="40" y="{{ 290 + 62 * $i }}" font-size="{{ $i === 0 ? 50 : 38 }}"@if ($i === 0) font-weight="bold"@endif>{{ $line }}</text>
@endforeach
@foreach ($swatches as $i => $swatch)
<rect x="{{ 40 + $i * 560 / max(1, count($swatches)) }}" y="470" width="{{ 560 / max(1, count($swatches)) }}" height="56" fill="{{ $swatch }}" stroke="#000000" stroke-width="3"/>
@endforeach
<text x="40" y="650" font-size="96" font-weight="bold">{{ $code }}</text>
@if ($mass !== null)
<text x="960" y="500" font-size="66" font-weight="bold" text-anchor="end">{{ $mass >= 10000 ? number_format($mass / 1000, 1).' kg' : number_format($mass, 0, '.', ' ').' g' }}</text>
@endif
<g transform="translate(690,40) scale({{ round(270 / $qr['size'], 4) }})"><path d="{{ $qr['path'] }}" fill="#000000"/></g>
@if ($never)
<rect x="560" y="545" width="410" height="125" fill="#000000"/>
<path d="M590 632l34-58 34 58z" fill="#ffffff"/>
<text x="955" y="630" font-size="50" font-weight="bold" fill="#ffffff" text-anchor="end">NEVER HOT</text>
@elseif (! ($made ?? false))
<text x="960" y="640" font-size="38" text-anchor="end">may go hot</text>
@endif
<text x="960" y="360" font-size="20" text-anchor="end">{{ $address }}</text>
</svg>
