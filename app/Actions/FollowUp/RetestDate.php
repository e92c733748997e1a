<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Database\Values;
use HonestCore\Agronomy\Retest;

/** When an area is due for its next test, and why then. Days as Y-m-d; none where nothing was ever pulled. */
final readonly class RetestDate
{
    /** @param list<array{due: string, why: string}> $reasons the soonest first */
    private function __construct(
        public int $areaId,
        public string $area,
        public int $siteId,
        public string $site,
        public string $today,
        public ?string $lastPulled,
        public int $composites,
        public ?string $due,
        public array $reasons,
        public ?float $minutes,
        public ?string $movedTo,
    ) {}

    /**
     * @param string $today at its site
     * @param bool $isNew whether its site was first pulled within a year of the last round
     */
    public static function of(\stdClass $row, string $today, bool $isNew): self
    {
        $last = self::day($row->last);
        $retest = $last === null ? null : self::retest($row, $last, $isNew);

        return new self(
            Values::whole($row->id),
            Values::text($row->name),
            Values::whole($row->site_id),
            Values::text($row->site),
            $today,
            $last,
            Values::whole($row->composites),
            $retest?->due,
            $retest->reasons ?? [['due' => $today, 'why' => 'Nothing was ever pulled here']],
            $row->minutes === null ? null : Values::number($row->minutes),
            self::day($row->moved_to),
        );
    }

    /** A program that was signed before the last round says nothing of what is being corrected now. */
    private static function retest(\stdClass $row, string $last, bool $isNew): Retest
    {
        return Retest::of(
            $last,
            self::day($row->spread),
            (self::day($row->signed) ?? '') >= $last ? self::listed($row->corrects) : [],
            $row->large !== null,
            $isNew,
            is_string($row->problem) ? $row->problem : '',
            in_array('p2o5', self::listed($row->gives_none), true),
        );
    }

    private static function day(mixed $moment): ?string
    {
        return is_string($moment) ? substr($moment, 0, 10) : null;
    }

    /** @return list<string> */
    private static function listed(mixed $text): array
    {
        return is_string($text) && $text !== '' ? array_values(array_unique(explode(',', $text))) : [];
    }

    /** @return 'never'|'overdue'|'waiting' */
    public function state(): string
    {
        return match (true) {
            $this->due === null => 'never',
            $this->due < $this->today => 'overdue',
            default => 'waiting',
        };
    }
}
