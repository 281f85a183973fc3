@foreach (['Hanken' => 'latin', 'HankenExt' => 'latin-ext'] as $family => $subset)
@foreach (['normal' => 'regular', 'bold' => 'bold'] as $weight => $file)
@@font-face { font-family: '{{ $family }}'; font-weight: {{ $weight }}; font-style: normal; src: url('file://{{ resource_path("fonts/hanken-{$subset}-{$file}.ttf") }}') format('truetype'); }
@endforeach
@endforeach
@@page { margin: 28pt 40pt 22pt 40pt; }
h1, h2, p, ol, table, td { margin: 0; padding: 0; }
body { margin: 0; font-family: Hanken, HankenExt, 'DejaVu Sans'; font-size: 10pt; line-height: 1.08; color: #14302a; }
table { width: 100%; border-collapse: collapse; }
td { vertical-align: top; }
h1 { font-size: 23pt; line-height: 1.1; }
h2 { font-size: 10.5pt; margin-bottom: 3pt; }
.soft { color: #4a5f58; }
.drawing { position: relative; }
.drawing img { position: absolute; left: 0; top: 0; }
.label { position: absolute; line-height: 1; white-space: nowrap; }
