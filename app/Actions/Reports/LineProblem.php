<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use HonestCore\Reports\ColumnRole;
use HonestCore\Reports\Doubt;
use HonestCore\Reports\ReportLine;

/** Why a line of a report cannot be stored as it stands; null for one that can. */
final class LineProblem
{
    public static function of(ReportLine $line): ?string
    {
        if ($line->column->role === ColumnRole::Ignore || $line->column->known() === null) {
            return "\"{$line->column->name}\" is no analyte that is known here; say what the column is, or leave ".
                'it out.';
        }
        foreach ([...$line->doubts, ...$line->column->doubts()] as $doubt) {
            if ($doubt->hides) {
                return self::withoutPlace($doubt, $line);
            }
        }

        return null;
    }

    /** The page and the message name row and column already. */
    private static function withoutPlace(Doubt $doubt, ReportLine $line): string
    {
        return (string) preg_replace(
            '/^(row \d+(, "'.
                preg_quote($line->column->name, '/').
                '")?|"'.
                preg_quote($line->column->name, '/').
                '"): /',
            '',
            $doubt->words,
        );
    }
}
