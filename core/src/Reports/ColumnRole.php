<?php

declare(strict_types=1);

namespace HonestCore\Reports;

/** What a column of a lab's file is for. */
enum ColumnRole: string
{
    case Sample = 'sample';
    case LabNumber = 'lab_number';
    case Bag = 'bag';
    case Depth = 'depth';
    case DepthTop = 'depth_top';
    case DepthBottom = 'depth_bottom';
    case Date = 'date';
    case Analyte = 'analyte';
    case Value = 'value';
    case Unit = 'unit';
    case Extractant = 'extractant';
    case Result = 'result';
    case Rating = 'rating';
    case Ignore = 'ignore';

    /** May several columns of a file be of it? */
    public function mayRepeat(): bool
    {
        return in_array($this, [self::Result, self::Rating, self::Ignore, self::Date], true);
    }

    /** @return list<string> */
    public static function values(): array
    {
        return array_map(static fn (self $one): string => $one->value, self::cases());
    }
}
