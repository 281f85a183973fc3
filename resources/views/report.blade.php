<!doctype html>
<html lang="{{ $w->language }}">
<head>
<meta charset="utf-8">
<title>{{ $page->title() }}</title>
<style>
@include('paper')
.rule { border-bottom: 2pt solid #14302a; padding-bottom: 5pt; margin-bottom: 8pt; }
.lead { font-size: 12.5pt; line-height: 1.1; margin-bottom: 6pt; }
.mark { font-weight: bold; font-size: 12pt; }
.mint { color: #14765a; }
.big { font-size: 18pt; font-weight: bold; }
.three td { width: 33.3%; padding-right: 12pt; }
.four td { width: 25%; padding-right: 6pt; font-size: 8.4pt; line-height: 1.1; }
.key { font-size: 9pt; margin-bottom: 2pt; }
.gap { margin-top: {{ 7 * $scale ** 2 }}pt; }
.small { font-size: 8.2pt; line-height: 1.1; }
.club td { padding: 1pt 0; font-size: 8.6pt; }
.hair { border-top: 0.7pt solid #d6d8cb; padding-top: 6pt; }
</style>
</head>
<body>
<table class="rule"><tr>
    <td><h1 style="font-size: {{ mb_strlen($page->title()) > 40 ? 15 : 23 }}pt">{{ $page->title() }}</h1><div class="soft">{{ $page->fitted() }}</div></td>
    <td style="text-align: right; width: 150pt; vertical-align: bottom"><div class="mark">mint<span class="mint">carry</span></div><div class="soft">{{ $page->fitting->studio->name }}</div></td>
</tr></table>
<div class="lead">{{ $t->lead() }}</div>
@if ($isMadeUp)<div class="small soft">{{ $w->say('report.madeUp') }}</div>@endif
<div class="key"><span style="color: #8f5200">○ – –</span> {{ $w->say('report.beforeKey') }} &nbsp;&nbsp; <span class="mint">▲ —</span> {{ $w->say('report.nowKey', ['head' => $page->setup()->head]) }}</div>
{!! $p->flights(515, 122 * $scale)->html() !!}
<table class="gap"><tr>
    <td style="width: 318pt"><h2>{{ $w->say('report.where') }}</h2>{!! $p->landing(300, 214 * $scale)->html() !!}</td>
    <td><h2>{{ $w->say('report.club') }}</h2>{!! $p->club(160 * $scale, 102 * $scale)->html() !!}
        <table class="club">
        @foreach ($t->club() as [$name, $value])<tr><td class="soft" style="width: 58pt">{{ $name }}</td><td><b>{{ $value }}</b></td></tr>@endforeach
        </table>
    </td>
</tr></table>
<div class="gap"><h2>{{ $w->say('report.fourteen') }}</h2>{!! $p->fourteen(515)->html() !!}
<div class="small soft"><span class="mint">●</span> {{ $w->say('report.fairway') }} &nbsp; ○ {{ $w->say('report.rough') }} &nbsp; <span style="color: #9c3525">×</span> {{ $w->say('report.troubleDot') }}</div></div>
@if ($t->flight() !== [])<table class="four hair gap"><tr>
    @foreach ($t->flight() as $one)<td><span class="soft">{{ $one['name'] }}</span> <b>{{ $one['now'] }}</b> <span class="soft">({{ $one['before'] }})</span><div class="small soft">{{ $one['wanted'] }}</div></td>@endforeach
</tr></table>@endif
<table class="three hair gap"><tr>
    @foreach ($t->three() as $one)<td><span class="big">{{ $one['big'] }}</span> <span class="soft">{{ $one['small'] }}</span><div>{{ $one['text'] }}</div></td>@endforeach
</tr></table>
<div class="gap">{{ $t->gaveUp() }} {{ $t->ratings() }} {{ $t->reason() }}</div>
<table class="hair gap"><tr>
    @if ($code !== null)<td style="width: 70pt">{!! $code->html() !!}</td>@endif
    <td class="small">@if ($address !== null)<b>{{ $w->say('report.threeRounds') }}</b> {{ $w->say('report.threeRoundsText') }}<br>@endif{{ $w->say('report.rules') }} {{ $t->air() }}@if ($address !== null && $code === null)<br>{{ $address }}@endif</td>
</tr></table>
</body>
</html>
