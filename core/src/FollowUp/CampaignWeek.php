<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

/**
 * In which week of a season an area is pulled, as it is proposed.
 *
 * Quantity and unit: Mondays as Y-m-d.
 * Rule: the week of the year in which its last round was pulled, so that the season stays the same; the week it is due where that
 * round lies in no week of the season; what is overdue or was never pulled, in the first.
 */
final class CampaignWeek
{
    public static function monday(string $day): string
    {
        return (new \DateTimeImmutable($day))->modify('monday this week')->format('Y-m-d');
    }

    /** @return non-empty-list<string> so many Mondays from the week of a day on */
    public static function weeks(string $from, int $count): array
    {
        $first = new \DateTimeImmutable(self::monday($from));

        return array_map(static fn (int $i): string => $first->modify("+{$i} weeks")->format('Y-m-d'), range(0, max(1, $count) - 1));
    }

    /** @param non-empty-list<string> $weeks */
    public static function proposed(?string $lastPulled, ?string $due, array $weeks): string
    {
        $end = (new \DateTimeImmutable($weeks[count($weeks) - 1]))->modify('+6 days')->format('Y-m-d');
        $years = $lastPulled === null ? [] : array_unique([substr($weeks[0], 0, 4), substr($end, 0, 4)]);
        foreach ($years as $year) {
            $again = $year.substr((string) $lastPulled, 4);
            $again = str_ends_with($again, '-02-29') ? "{$year}-02-28" : $again;
            if ($again >= $weeks[0] && $again <= $end) {
                return self::monday($again);
            }
        }

        return match (true) {
            $due === null, $due < $weeks[0] => $weeks[0],
            $due > $end => $weeks[count($weeks) - 1],
            default => self::monday($due),
        };
    }
}
