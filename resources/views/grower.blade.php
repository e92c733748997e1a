<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex, nofollow">
    <meta name="referrer" content="no-referrer">
    <title>{{ $title }}: what to spread in {{ $season }}</title>
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    <style>
        @include('grower-style')
        @page { @top-left { content: {!! json_encode($title.', '.$site, JSON_HEX_TAG | JSON_UNESCAPED_UNICODE) !!}; } }
    </style>
</head>
<body>
<main>
    <p class="over">{{ $site }}, {{ $words->address() }}</p>
    <h1>{{ $title }}: what to spread for {{ $words->crop() }} in {{ $season }}</h1>
    <p class="lede">Signed by {{ $signedBy }} on {{ $signedOn }}. This page may be read until {{ $endsOn }}.</p>
    @if ($newer)
        <p class="stop"><strong>A newer program has been signed since.</strong> Ask for its address before you spread anything.</p>
    @endif
    @if ($note !== '')<p>{{ $note }}</p>@endif

    @if ($words->unmeasured() !== '')<p class="stop">{{ $words->unmeasured() }}</p>@endif
    @foreach ($words->parts() as $part)
        @if ($words->partName($part) !== '')<h2 class="part">{{ $words->partName($part) }}</h2>@endif
        @foreach ($words->first($part) as $one)
            <div class="stop"><strong>First: {{ $one['what'] }}.</strong> {{ $one['answer'] }}
                @if ($one['cautions'] !== [])<ul>@foreach ($one['cautions'] as $caution)<li>{{ $caution }}</li>@endforeach</ul>@endif
            </div>
        @endforeach
        <section>
            <h2>Where the sample comes from</h2>
            <p>{{ $words->sample($part) }}
                The ground is {{ $words->partName($part) === '' ? $words->size() : $words->partName($part) }}.</p>
        </section>
        <section>
            <h2>What was found</h2>
            @forelse ($words->found($part) as $one)
                <div class="found">
                    <p><strong>{{ $one['name'] }}</strong> {{ $one['value'] }}. <span class="note">{{ $one['wants'] }}</span></p>
                    @if ($one['low'] !== null)
                    <svg viewBox="0 0 400 26" role="img" aria-label="{{ $one['name'] }} {{ $one['value'] }}. {{ $one['wants'] }}"
                         preserveAspectRatio="none">
                        <line x1="0" y1="20" x2="400" y2="20" stroke="#221D17" stroke-width="1"/>
                            <rect x="{{ 400 * $one['low'] }}" y="6" width="{{ 400 * (($one['high'] ?? 1) - $one['low']) }}" height="14"
                                  fill="#E9DFC6"/>
                            <line x1="{{ 400 * $one['low'] }}" y1="2" x2="{{ 400 * $one['low'] }}" y2="24"
                                  stroke="#221D17" stroke-width="1.6"/>
                        @if ($one['high'] !== null)
                            <line x1="{{ 400 * $one['high'] }}" y1="2" x2="{{ 400 * $one['high'] }}" y2="24"
                                  stroke="#221D17" stroke-width="1.2"/>
                        @endif
                        <rect x="{{ 400 * $one['from'] }}" y="9" width="{{ max(1, 400 * ($one['to'] - $one['from'])) }}" height="8"
                              fill="#221D17" fill-opacity="0.25"/>
                        <line x1="{{ 400 * $one['at'] }}" y1="5" x2="{{ 400 * $one['at'] }}" y2="21" stroke="#0E5A60" stroke-width="3"/>
                    </svg>
                    @endif
                </div>
            @empty
                <p>Nothing that could be built on.</p>
            @endforelse
        </section>
        <section>
            <h2>What to do</h2>
            @if ($words->toDo($part) === [])
                <p><strong>Spread nothing now.</strong></p>
            @else
                <table>
                    <thead><tr><th>When</th><th>What and how much</th></tr></thead>
                    <tbody>
                    @foreach ($words->toDo($part) as $one)
                        <tr>
                            <td class="when">{{ $one['when'] }}</td>
                            <td><strong>{{ $one['what'] }}</strong>: {{ $one['how_much'] }}.
                                <span class="note">{{ $one['how'] }}</span>
                                @foreach ($one['cautions'] as $caution)<span class="care">{{ $caution }}</span>@endforeach
                            </td>
                        </tr>
                    @endforeach
                    </tbody>
                </table>
            @endif
            @foreach ($words->none($part) as $line)<p>{{ $line }}</p>@endforeach
            @foreach ($words->overrides($part) as $line)<p class="against"><strong>Against the figures.</strong> {{ $line }}</p>@endforeach
            @foreach ($part->texts('cautions') as $line)<p class="care">{{ $line }}</p>@endforeach
        </section>
        <section>
            <h2>What is not known</h2>
            @forelse ($words->unknown($part) as $line)<p>{{ $line }}</p>@empty<p>Nothing that was asked for.</p>@endforelse
        </section>
    @endforeach
    <p class="foot">Made with Honest Core. Local rules, the product's label and licensed advice go before it.</p>
</main>
</body>
</html>
