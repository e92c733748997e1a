<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;

/** How far the taking of a file is, told outside of its transaction so that other requests can read it. */
final class ReportProgress
{
    private const KEPT_S = 600;

    public function tell(string $sha256, string $stage, int $done, int $of): void
    {
        Cache::put(self::key($sha256), ['stage' => $stage, 'done' => $done, 'of' => $of], self::KEPT_S);
    }

    public function done(string $sha256): void
    {
        Cache::forget(self::key($sha256));
    }

    /** @return array{stage: string, done: int, of: int} */
    public function of(string $sha256): array
    {
        /** @var array{stage: string, done: int, of: int}|null $told */
        $told = Cache::get(self::key($sha256));

        return $told ?? ['stage' => 'none', 'done' => 0, 'of' => 0];
    }

    private static function key(string $sha256): string
    {
        $user = Auth::user();

        return 'report-progress:'.($user instanceof User ? $user->team_id : 0).":{$sha256}";
    }
}
