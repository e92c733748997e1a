<?php

declare(strict_types=1);

namespace HonestCore\Bench;

/** What a method gives. */
enum ScaleKind: string
{
    /** One of several bands, or a colour between two. */
    case Bands = 'bands';
    /** High or low of one limit. */
    case Direction = 'direction';
    /** A count of drops that a table turns into a band. */
    case Drops = 'drops';
    /** A number to a resolution. */
    case Continuous = 'continuous';
    /** Heights of settled layers. */
    case Heights = 'heights';
}
