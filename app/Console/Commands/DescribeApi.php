<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Contract\Contract;
use App\Contract\TypeScript;
use App\Contract\Vocabulary;
use Illuminate\Console\Command;

/**
 * Writes down the contract of the API: docs/api.yaml as the attributes describe it, and what the front end takes from it. A test
 * fails while they differ.
 */
final class DescribeApi extends Command
{
    protected $signature = 'mint:api';

    protected $description = 'Writes docs/api.yaml and the generated types and vocabulary of the front end';

    public function handle(): int
    {
        foreach (self::files() as $path => $text) {
            @mkdir(dirname(base_path($path)), recursive: true);
            file_put_contents(base_path($path), $text);
        }

        return self::SUCCESS;
    }

    /** @return array<string, string> text by path */
    public static function files(): array
    {
        $document = Contract::document();

        return [
            'docs/api.yaml' => Contract::yaml($document),
            'resources/web/api/generated/types.ts' => TypeScript::of($document['components']['schemas']),
            'resources/web/api/generated/vocabulary.ts' => Vocabulary::typeScript(),
        ];
    }
}
