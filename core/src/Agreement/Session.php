<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * What was read in one sitting shares an error: the water, the light, the buffer and the eye of that evening. Pairs of
 * one session are a cluster.
 *
 * Rule: readings of one run; where no run led them, those of one reader on one day with one lot.
 * Source: common practice; what a cluster is worth: see Clusters.
 */
final class Session
{
    /** @param string $on day, as Y-m-d */
    public static function of(?int $run, string $reader, string $on, string $lot): string
    {
        return $run !== null ? "run {$run}" : implode(', ', array_filter([$reader, $on, $lot === '' ? '' : "lot {$lot}"]));
    }
}
