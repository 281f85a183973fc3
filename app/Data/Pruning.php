<?php

declare(strict_types=1);

namespace App\Data;

use App\Judged\JudgementStore;
use App\Models\ImportFile;
use App\Models\KnownDevice;
use App\Models\SignIn;
use App\Models\WelcomeLink;
use FilesystemIterator;
use Illuminate\Support\Facades\DB;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** What nobody needs any more, each kind after a time of its own. */
final readonly class Pruning
{
    public const DRAFT_DAYS = 2;

    public const SIGN_IN_DAYS = 90;

    public const LOOK_DAYS = 400;

    public const LIVE_DAYS = 45;

    public function __construct(private Bin $bin, private JudgementStore $judgements)
    {
    }

    /** @return array<string, int> how many of each kind went */
    public function all(): array
    {
        return [
            'bin entries emptied' => $this->bin->empty(),
            'drafts of launch files' => ImportFile::withTrashed()->where('state', 'draft')
                ->where('updated_at', '<', now()->subDays(self::DRAFT_DAYS))->forceDelete(),
            'sign-ins' => SignIn::query()->where('ends_at', '<', now()->subDays(self::SIGN_IN_DAYS))->delete(),
            'known devices' => KnownDevice::query()->where('seen_at', '<', now()->subDays(180))->delete(),
            'links' => WelcomeLink::query()->where('ends_at', '<', now()->subDays(7))->delete(),
            'looks' => DB::table('looks')->where('created_at', '<', now()->subDays(self::LOOK_DAYS))->delete(),
            'cached values' => DB::table('cache')->where('expiration', '<', now()->getTimestamp())->delete(),
            'live files' => self::files(base_path('var/live'), self::LIVE_DAYS),
            'judgements' => $this->judgements->prune(),
            'draws and counts' => self::files(storage_path('framework/cache'), 2),
            'session files' => self::files(storage_path('framework/sessions'), 31),
        ];
    }

    /** Files that nobody wrote for so many days. */
    private static function files(string $folder, int $days): int
    {
        $gone = 0;
        if (! is_dir($folder)) {
            return 0;
        }
        $all = new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS));
        foreach ($all as $file) {
            if ($file instanceof SplFileInfo && $file->isFile() && ! $file->isLink() && $file->getMTime() < time() - 86_400 * $days) {
                $gone += @unlink($file->getPathname()) ? 1 : 0;
            }
        }

        return $gone;
    }
}
