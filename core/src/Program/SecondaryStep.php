<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agreement\Words;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * Secondary nutrients and micronutrients: low or not, and an amount only where a table has one.
 *
 * Quantity and unit: ppm by an extractant; lb of the element an acre.
 * Rule: limits belong to their extractant; boron is given to the crops that want it and to no others.
 * Source: data/class-limits.json.
 */
final class SecondaryStep
{
    /** @return list<ProgramLine> of those that were measured */
    public static function lines(PartResults $part, WantedCrop $crop): array
    {
        $lines = [];
        foreach ((new Fields(RuleTable::named('class-limits')))->named('analytes') as $code => $row) {
            $heard = $part->of($code);
            if ($heard !== null && $heard->claim() !== 'none') {
                $lines[] = self::line($heard, new Fields(is_array($row) ? $row : []), $crop);
            }
        }

        return $lines;
    }

    /** Is magnesium low by a result that stands? Null where nothing says. */
    public static function magnesiumIsLow(PartResults $part): ?bool
    {
        $row = (new Fields((new Fields(RuleTable::named('class-limits')))->named('analytes')))->row('mg');
        $heard = $part->of('mg');
        $limit = $heard?->tested === null ? null : self::limit(new Fields($row), $heard->tested->extractant);

        return $limit === null || $heard?->tested === null ? null : $heard->tested->value < $limit;
    }

    private static function limit(Fields $row, string $extractant): ?float
    {
        return (new Fields($row->row('limits')))->numberOrNull($extractant);
    }

    private static function line(Heard $heard, Fields $row, WantedCrop $crop): ProgramLine
    {
        $name = ucfirst($heard->analyte->name);
        $say = $row->text('say');
        if ($heard->tested === null) {
            return new ProgramLine(
                '',
                'direction',
                "{$name}: a direction only",
                ucfirst((string) $heard->kit?->action).": {$heard->shown()}. {$say}",
                claim: 'sort',
                from: $heard->from,
                sure: $heard->sure(),
            );
        }
        $limit = self::limit($row, $heard->tested->extractant);
        if ($limit === null) {
            return new ProgramLine(
                '',
                'unknown',
                "{$name}: no limit",
                "{$heard->shown()}: there is no limit for its extractant here.",
                claim: $heard->claim(),
                from: $heard->from,
                changes: 'A limit of your own in the tables, with its source.',
            );
        }

        return self::held($heard, $heard->tested->value, $limit, $row, $crop);
    }

    /** A result held against its limit. */
    private static function held(Heard $heard, float $value, float $limit, Fields $row, WantedCrop $crop): ProgramLine
    {
        $close = abs($value - $limit) < ($heard->tested->expanded ?? 0.0);
        $isLow = $value < $limit;
        $amount = match (true) {
            ! $isLow => 0.0,
            $row->text('only', '') === 'boron' && ! $crop->wantsBoron => 0.0,
            default => $row->numberOrNull('lb_per_acre'),
        };
        $name = ucfirst($heard->analyte->name);
        $say = $isLow ? " {$row->text('say')}" : '';

        return new ProgramLine(
            $amount !== null ? $row->text('nutrient') : '',
            $amount === null ? 'direction' : ($amount > 0 ? 'amount' : 'zero'),
            $isLow ? "{$name}: low".($amount === 0.0 ? ', none for this crop' : '') : "{$name}: enough",
            "{$heard->shown()}, ".($isLow ? 'below ' : 'at or above ').Words::trim($limit, 2).".{$say}",
            $amount,
            null,
            $heard->claim(),
            $heard->from,
            $heard->sure(),
            match (true) {
                $close => 'Too close to call: within its uncertainty it lies on the other side of the limit.',
                $isLow => 'A leaf test in season.',
                default => '',
            },
            $isLow ? ['Limit and amount written from memory; in season, by what the crop shows.'] : [],
        );
    }
}
