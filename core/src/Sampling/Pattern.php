<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

/** How cores are laid over the ground of one composite. */
enum Pattern: string
{
    case Zigzag = 'zigzag';
    case W = 'w';
    case Random = 'random';
    case Stratified = 'stratified';
    case Grid = 'grid';
    case TransectLine = 'transect';
    case Corners = 'corners';
    case Rows = 'rows';

    /** Does it fix the order in which its cores are walked? */
    public function hasItsOwnWalk(): bool
    {
        return match ($this) {
            self::Zigzag, self::W, self::TransectLine, self::Grid, self::Rows => true,
            self::Random, self::Stratified, self::Corners => false,
        };
    }

    /** Is it laid out polygon by polygon, rather than over all ground at once? */
    public function goesByPolygon(): bool
    {
        return match ($this) {
            self::Zigzag, self::W, self::TransectLine => true,
            self::Random, self::Stratified, self::Grid, self::Corners, self::Rows => false,
        };
    }
}
