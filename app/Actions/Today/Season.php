<?php

declare(strict_types=1);

namespace App\Actions\Today;

use App\Models\Reading;
use App\Models\Sample;
use App\Models\Site;

/** How far a site is in its year. */
final readonly class Season
{
    private function __construct(public int $year, public int $areas, public int $composites, public int $readings) {}

    public static function of(Site $site): self
    {
        $year = (int) now($site->timezone)->format('Y');
        $samples = Sample::query()->where('site_id', $site->id);

        return new self(
            $year,
            $site->areas()->count(),
            (clone $samples)->where('year', $year)->count(),
            Reading::query()->whereIn('sample_id', $samples->select('id'))->whereDoesntHave('correction')->count(),
        );
    }
}
