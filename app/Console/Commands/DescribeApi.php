<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use OpenApi\Annotations\OpenApi;
use OpenApi\Generator;
use Symfony\Component\Yaml\Yaml;

final class DescribeApi extends Command
{
    protected $signature = 'mint:api';

    protected $description = 'Writes docs/api.yaml as the attributes of the controllers describe it';

    public function handle(): int
    {
        file_put_contents(base_path('docs/api.yaml'), self::text());

        return self::SUCCESS;
    }

    public static function text(): string
    {
        $api = (new Generator)->generate([app_path('Http')]);

        $flags = Yaml::DUMP_OBJECT_AS_MAP | Yaml::DUMP_EMPTY_ARRAY_AS_SEQUENCE | Yaml::DUMP_MULTI_LINE_LITERAL_BLOCK;

        return $api instanceof OpenApi ? $api->toYaml($flags) : '';
    }
}
