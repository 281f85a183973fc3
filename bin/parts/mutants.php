<?php

declare(strict_types=1);

/**
 * Plants random faults in the core, one at a time, and looks whether the core's own tests notice. A fault turns a sign or a
 * comparison round, takes a "not" away, takes the other of two (and/or, min/max, sine/cosine, true/false) or the other branch.
 * The choice is drawn with a seed; the tests that are run are those that pass the line, short runs of benches aside.
 *
 * Usage: php bin/parts/mutants.php [N] [SEED] [--without-snapshots] [--in FOLDER] [--floor PERCENT]
 */
use PhpParser\Node;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;
use SebastianBergmann\CodeCoverage\CodeCoverage;

$root = dirname(__DIR__, 2);
chdir($root);
require 'vendor/autoload.php';
$work = "{$root}/var/mutants";
@mkdir($work, recursive: true);

/** One place where a fault can be planted. */
final readonly class Fault
{
    public function __construct(public string $file, public int $line, public int $from, public int $to, public string $text)
    {
    }

    public function plant(): string
    {
        $source = (string) file_get_contents($this->file);

        return substr($source, 0, $this->from).$this->text.substr($source, $this->to);
    }

    public function told(): string
    {
        $line = explode("\n", (string) file_get_contents($this->file))[$this->line - 1];
        $was = substr((string) file_get_contents($this->file), $this->from, $this->to - $this->from);

        return sprintf(
            '%s:%d  %s -> %s   in: %s', $this->file, $this->line, trim($was) ?: '(nothing)', trim($this->text) ?: '(nothing)',
            trim($line),
        );
    }
}

const OTHER = [
    '+' => '-', '-' => '+', '*' => '/', '/' => '*', '<' => '>=', '>=' => '<', '>' => '<=', '<=' => '>', '===' => '!==',
    '!==' => '===', '&&' => '||', '||' => '&&', '+=' => '-=', '-=' => '+=', '*=' => '/=', '/=' => '*=',
];
const OTHER_NAME = [
    'min' => 'max', 'max' => 'min', 'sin' => 'cos', 'cos' => 'sin', 'true' => 'false', 'false' => 'true', 'floor' => 'ceil',
    'ceil' => 'floor',
];

/** @return list<Fault> every place of a file */
function places(string $file): array
{
    $source = (string) file_get_contents($file);
    $nodes = (new ParserFactory)->createForHostVersion()->parse($source) ?? [];
    $out = [];
    $add = static function (Node $at, int $from, int $to, string $text) use (&$out, $file): void {
        $out[] = new Fault($file, $at->getStartLine(), $from, $to, $text);
    };
    $between = static function (Node $left, Node $right, Node $at) use ($source, $add): void {
        $from = $left->getEndFilePos() + 1;
        $gap = substr($source, $from, $right->getStartFilePos() - $from);
        if (preg_match('/(?<![\w$])([-+*\/<>=!&|]+)/', $gap, $found, PREG_OFFSET_CAPTURE) && isset(OTHER[$found[1][0]])) {
            $add($at, $from + $found[1][1], $from + $found[1][1] + strlen($found[1][0]), OTHER[$found[1][0]]);
        }
    };
    // A comparison by type, where all have the type, is no other comparison.
    $strict = [];
    foreach ((new NodeFinder)->findInstanceOf($nodes, Node\Expr\FuncCall::class) as $call) {
        if ($call->name instanceof Node\Name && in_array($call->name->toString(), ['in_array', 'array_search', 'array_keys'], true) && isset($call->args[2])) {
            $strict[] = $call->args[2]->value ?? null;
        }
    }
    foreach ((new NodeFinder)->find($nodes, static fn (Node $n): bool => ! in_array($n, $strict, true)) as $node) {
        match (true) {
            $node instanceof Node\Expr\BinaryOp => $between($node->left, $node->right, $node->right),
            $node instanceof Node\Expr\AssignOp => $between($node->var, $node->expr, $node),
            $node instanceof Node\Expr\UnaryMinus, $node instanceof Node\Expr\BooleanNot => $add(
                $node, $node->getStartFilePos(), $node->getStartFilePos() + 1, '',
            ),
            $node instanceof Node\Expr\ConstFetch, $node instanceof Node\Expr\FuncCall => $node->name instanceof Node\Name &&
            isset(OTHER_NAME[$node->name->toString()])
                ? $add($node, $node->name->getStartFilePos(), $node->name->getEndFilePos() + 1, OTHER_NAME[$node->name->toString()])
                : null,
            $node instanceof Node\Expr\Ternary && $node->if !== null => $add(
                $node, $node->cond->getStartFilePos(), $node->cond->getEndFilePos() + 1,
                '!('.
                    substr($source, $node->cond->getStartFilePos(), $node->cond->getEndFilePos() + 1 - $node->cond->getStartFilePos()).
                    ')',
            ),
            $node instanceof Node\Stmt\If_ => $add(
                $node, $node->cond->getStartFilePos(), $node->cond->getEndFilePos() + 1,
                '!('.
                    substr($source, $node->cond->getStartFilePos(), $node->cond->getEndFilePos() + 1 - $node->cond->getStartFilePos()).
                    ')',
            ),
            default => null,
        };
    }

    return $out;
}

$options = ['--floor' => '85', '--in' => 'core'];
$plain = [];
for ($i = 1; $i < count($argv); $i++) {
    match (true) {
        $argv[$i] === '--without-snapshots' => $options['--without-snapshots'] = 'yes',
        isset($options[$argv[$i]]) => $options[$argv[$i]] = $argv[++$i] ?? '',
        ctype_digit($argv[$i]) => $plain[] = (int) $argv[$i],
        default => exit("'{$argv[$i]}' is not an option of bin/mutants.\n"),
    };
}
$count = max(1, $plain[0] ?? 60);
$seed = $plain[1] ?? 1;
$floor = (float) $options['--floor'] / 100;
$left = isset($options['--without-snapshots']) ? 'bench,snapshots' : 'bench';
$files = array_map(
    static fn (SplFileInfo $f): string => substr($f->getPathname(), strlen($root) + 1),
    array_values(
        array_filter(
            iterator_to_array(new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/core")), false),
            static fn (SplFileInfo $f): bool => $f->getExtension() === 'php',
        ),
    ),
);
sort($files);

// Which test files pass which line, and how long each takes.
$print = hash(
    'sha256',
    implode('', array_map(static fn (string $f): string => (string) hash_file('sha256', $f), [...$files, ...(glob('tests/Core/*.php') ?: [])])),
);
if (@file_get_contents("{$work}/print") !== $print) {
    fwrite(STDERR, "Looking which test passes which line …\n");
    passthru(
        sprintf(
            'php -d extension=pcov -d pcov.enabled=1 -d pcov.directory=%s -d memory_limit=2G vendor/bin/pest tests/Core '
                .'--exclude-group=bench --coverage-filter core --coverage-php %s --log-junit %s '
                .'--parallel --processes=%d --passthru-php="\'-d\' \'extension=pcov\' \'-d\' \'pcov.enabled=1\' \'-d\' '
                    .'\'pcov.directory=%s\' \'-d\' \'memory_limit=2G\'" > %s 2>&1',
            escapeshellarg("{$root}/core"), escapeshellarg("{$work}/coverage.php"), escapeshellarg("{$work}/junit.xml"),
            (int) shell_exec('nproc'), "{$root}/core", escapeshellarg("{$work}/coverage.log"),
        ),
        $code,
    );
    if ($code !== 0) {
        fwrite(STDERR, "The core's tests fail already (var/mutants/coverage.log): nothing was planted.\n");
        exit(1);
    }
    file_put_contents("{$work}/print", $print);
}
$coverage = include "{$work}/coverage.php";
if (! $coverage instanceof CodeCoverage) {
    fwrite(STDERR, "The coverage cannot be read (var/mutants/coverage.php).\n");
    exit(1);
}
/** @var array<string, array<int, array<string, true>>> $passing test files by source file and line */
$passing = [];
foreach ($coverage->getData()->lineCoverage() as $file => $lines) {
    foreach ($lines as $line => $tests) {
        foreach ($tests ?? [] as $test) {
            if (preg_match('/Tests\\\\Core\\\\(\w+)::/', $test, $found)) {
                $passing[substr($file, strlen($root) + 1)][$line]["tests/Core/{$found[1]}.php"] = true;
            }
        }
    }
}
$seconds = [];
$report = simplexml_load_file("{$work}/junit.xml") ?: throw new RuntimeException('The times of the tests cannot be read (var/mutants/junit.xml).');
foreach ($report->xpath('//testcase') ?: [] as $case) {
    $file = 'tests/Core/'.basename(str_replace('\\', '/', explode('::', (string) $case['file'])[0])).'';
    $seconds[$file] = ($seconds[$file] ?? 0) + (float) $case['time'];
}

$within = array_values(array_filter($files, static fn (string $f): bool => str_starts_with($f, $options['--in'])));
$within !== [] || exit("There is no file of the core in {$options['--in']}.\n");
$all = array_merge(...array_map(places(...), $within));
$drawn = (new Random\Randomizer(new Random\Engine\Mt19937($seed)))->shuffleArray($all);
$drawn = array_slice($drawn, 0, $count);

/** What a worker runs: the tests that pass the line, quickest first, until one fails. Prints the file that caught the fault, or nothing. */
$run = static function (Fault $fault, int $number) use ($work, $passing, $seconds, $root, $left): string {
    $folder = "{$work}/{$number}";
    @mkdir($folder);
    file_put_contents("{$folder}/Planted.php", $fault->plant());
    exec('php -l '.escapeshellarg("{$folder}/Planted.php").' 2>&1', $said, $code);
    if ($code !== 0) {
        return 'no PHP';
    }
    // Taken in before anything asks for the class; also by programs that a test starts.
    file_put_contents("{$folder}/before.php", "<?php require_once '{$root}/vendor/autoload.php'; require_once '{$folder}/Planted.php';");
    file_put_contents("{$folder}/planted.ini", "auto_prepend_file={$folder}/before.php\nmemory_limit=1G\n");
    $tests = [];
    foreach ($passing[$fault->file] ?? [] as $line => $by) {
        if ($line === $fault->line) {
            $tests = array_keys($by);
        }
    }
    // A line in the middle of a statement is counted with its first.
    for ($line = $fault->line - 1; $tests === [] && $line > max(0, $fault->line - 12); $line--) {
        $tests = array_keys($passing[$fault->file][$line] ?? []);
    }
    usort($tests, static fn (string $a, string $b): int => ($seconds[$a] ?? 0) <=> ($seconds[$b] ?? 0));
    foreach ($tests as $test) {
        $limit = (int) ceil(20 + 4 * ($seconds[$test] ?? 10));
        exec(
            sprintf(
                'PHP_INI_SCAN_DIR=:%s timeout %d php vendor/bin/pest %s --exclude-group=%s --stop-on-failure --stop-on-error --colors=never > %s 2>&1',
                escapeshellarg($folder), $limit, escapeshellarg($test), $left, escapeshellarg("{$folder}/said"),
            ),
            $none, $code,
        );
        if ($code !== 0) {
            return $test.($code === 124 ? ' (without end)' : '');
        }
    }

    return '';
};

// As many at once as there are cores, each a process of its own.
$workers = max(1, (int) shell_exec('nproc'));
$pids = [];
foreach (range(0, $workers - 1) as $w) {
    $pid = pcntl_fork();
    if ($pid === 0) {
        foreach ($drawn as $i => $fault) {
            if ($i % $workers === $w) {
                file_put_contents("{$work}/{$i}.caught", $run($fault, $i));
            }
        }
        exit(0);
    }
    $pids[] = $pid;
}
foreach ($pids as $pid) {
    pcntl_waitpid($pid, $status);
}

$by = [];
$missed = [];
foreach ($drawn as $i => $fault) {
    $caught = (string) file_get_contents("{$work}/{$i}.caught");
    if ($caught === 'no PHP') {
        continue;
    }
    $folder = explode('/', $fault->file)[1];
    $by[$folder] ??= [0, 0];
    $by[$folder][0]++;
    $by[$folder][1] += $caught === '' ? 0 : 1;
    if ($caught === '') {
        $missed[] = $fault->told();
    }
}
ksort($by);
[$planted, $noticed] = [array_sum(array_column($by, 0)), array_sum(array_column($by, 1))];
printf(
    "Faults planted in %s with seed %d, and caught by the core's own tests%s\n", $options['--in'], $seed,
    isset($options['--without-snapshots']) ? ' without snapshots' : '',
);
foreach ($by as $folder => [$n, $k]) {
    printf("  %-12s %3d of %3d\n", $folder, $k, $n);
}
printf("  %-12s %3d of %3d, %.0f %% (at least %.0f %%)\n", 'together', $noticed, $planted, 100 * $noticed / $planted, 100 * $floor);
foreach ($missed as $line) {
    echo "missed  {$line}\n";
}
exit($noticed / $planted >= $floor ? 0 : 1);
