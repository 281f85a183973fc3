<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>Build page: {{ $setup->head }} for {{ $fitting->player->name }}</title>
<style>
@include('paper')
.rule { border-bottom: 2pt solid #14302a; padding-bottom: 5pt; margin-bottom: 12pt; }
.figures td { padding: 3.2pt 4pt; border-top: 0.7pt solid #d6d8cb; font-size: 11pt; }
.figures b { font-size: 13pt; }
.blank { border-bottom: 0.7pt solid #14302a; width: 90pt; }
h2 { margin: 10pt 0 4pt; font-size: 12pt; }
ol { padding-left: 16pt; }
li { margin-bottom: 4pt; }
.warn { border: 1.4pt solid #9c3525; padding: 8pt 10pt; }
</style>
</head>
<body>
<table class="rule"><tr>
    <td><h1>{{ $setup->head }}</h1><div class="soft">for {{ $fitting->player->name }}, <b>{{ $fitting->player->hand->value }}-handed</b>@if ($order) · order {{ $order->id }}@if ($order->due_on), due {{ $order->due_on }}@endif @endif</div></td>
    <td style="text-align: right; width: 150pt; vertical-align: bottom"><b>mint<span style="color: #14765a">carry</span></b><div class="soft">{{ $fitting->studio->name }} · build page</div></td>
</tr></table>
<table class="figures">
<tr><td class="soft">Figure</td><td class="soft">Shall be</td><td class="soft">May be off by</td><td class="soft">As read</td></tr>
@foreach ($rows as [$name, $shall, $off])<tr><td>{{ $name }}</td><td><b>{{ $shall }}</b></td><td>{{ $off }}</td><td><div class="blank">&nbsp;</div></td></tr>@endforeach
<tr><td>Sleeve</td><td><b>{{ $setup->sleeve_label ?: 'no adjustment' }}</b></td><td></td><td></td></tr>
<tr><td>Weights</td><td><b>{{ $setup->weights ?: 'none' }}</b></td><td></td><td></td></tr>
<tr><td>Shaft</td><td><b>{{ $setup->shaft ?: 'not said' }}</b></td><td></td><td></td></tr>
<tr><td>Grip</td><td><b>{{ $setup->gripPart?->label ?? 'not said' }}</b></td><td></td><td></td></tr>
</table>
@if ($isPrint)<p style="margin-top: 8pt; color: #9c3525"><b>The loft is the printed one.</b> Heads are often 1° off, some 2 to 3°: read it before it is built.</p>@endif
@if ($setup->note)<p style="margin-top: 8pt"><b>Note:</b> {{ $setup->note }}</p>@endif
@if ($plan)
<h2>Length and balance</h2>
<table class="figures"><tr>@foreach (array_slice($plan, 0, 4) as [$name, $said])<td><span class="soft">{{ $name }}</span><br>{{ $said }}</td>@endforeach</tr>
<tr>@foreach (array_slice($plan, 4) as [$name, $said])<td><span class="soft">{{ $name }}</span><br>{{ $said }}</td>@endforeach</tr></table>
@if (! $planIsOrdered)<p style="color: #9c3525"><b>The order says another length than this plan:</b> ask the fitter which holds.</p>@endif
@endif
<h2>In this order</h2>
<ol>@foreach ($steps as $step)<li>{{ $step }}</li>@endforeach</ol>
<h2>Eyes, dust, fumes, screws</h2>
<div class="warn">Eye protection for cutting, grinding and pulling. Dust of carbon and of cut shafts: extraction and a mask. Epoxy and solvents: gloves and an open window. Torque every screw to the click, and never hit with a loose head. Nobody beside or ahead of the first swing.</div>
<h2>Rules</h2>
<p>Length, volume, spring effect and moment of inertia are limited, a local rule may set a shorter length, and playing characteristics may not be changed during a round. The governing body’s current text and local rules decide.</p>
</body>
</html>
