<?php

declare(strict_types=1);

namespace HonestCore\Custody;

/**
 * The order in which a server wrote lines, beside the times its clock said: where a later line was written at an
 * earlier time, the clock had been set back in between.
 *
 * Quantity and unit: places in the record, counted from 1; times in seconds since 1970, UTC.
 * Error: clocks are set right by small steps all the time; less than SLACK_S is no setting back (common practice).
 */
final class WrittenOrder
{
    public const SLACK_S = 60;

    /**
     * @param array<int, int> $writtenAt time by place
     * @return list<int> places whose time is earlier than that of a place before
     */
    public static function backwards(array $writtenAt): array
    {
        ksort($writtenAt);
        $latest = PHP_INT_MIN;
        $back = [];
        foreach ($writtenAt as $place => $at) {
            if ($latest !== PHP_INT_MIN && $at < $latest - self::SLACK_S) {
                $back[] = $place;
            }
            $latest = max($latest, $at);
        }

        return $back;
    }
}
