<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agreement\Words;
use HonestCore\Metals\MetalsScreen;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\Fields;
use HonestCore\Table\RuleTable;

/**
 * What must be known before anything is spread.
 *
 * Quantity and unit: layers in cm, salts in dS/m, metals in ppm against the strictest step of the dated table.
 * Rule: a layer that tables of rates are not made for, organic soil, and ground that was spread just before it was pulled
 * hold amounts back; metals, salts and open questions are said, and change no amount.
 * Source: data/program-rules.json, data/metals-limits.json.
 */
final class StopFirst
{
    private const METALS = ['pb' => 'Lead', 'as' => 'Arsenic'];

    private const CM_PER_INCH = 2.54;

    /** @return list<ProgramLine> */
    public static function lines(PartResults $part): array
    {
        $lines = [];
        $held = self::heldBy($part);
        foreach ($held as $what => $why) {
            $lines[] = new ProgramLine('', 'stop', $what, $why, changes: 'Nothing of it is sized before that is known.');
        }
        foreach ($part->inQuestion as $words) {
            $lines[] = new ProgramLine(
                '',
                'stop',
                'A result is in question',
                $words,
                changes: 'What is in question is not built on; the answer of the lab settles it.',
            );
        }
        foreach (self::METALS as $code => $name) {
            array_push($lines, ...self::metal($part, $code, $name));
        }
        $salts = $part->of('ec');
        $most = (new Fields(RuleTable::named('program-rules')))->number('salts');
        if ($salts?->value() !== null && $salts->value() >= $most) {
            $lines[] = new ProgramLine(
                '',
                'stop',
                'Salts',
                "{$salts->shown()}: sensitive crops suffer from about {$most} dS/m on. Extracts differ: ask the lab for the ".
                    'limit of its own.',
                claim: $salts->claim(),
                from: $salts->from,
                changes: 'Find where they come from (water, manure, road salt) and whether the ground drains, before more is added.',
            );
        }

        return [...$lines, ...self::close($part)];
    }

    /**
     * Why amounts are held back, by what is in the way.
     *
     * @return array<string, string>
     */
    public static function heldBy(PartResults $part): array
    {
        $held = [];
        if ($part->lime->kind === 'stop') {
            $held['Organic soil'] = $part->lime->answer;
        }
        $layer = $part->layer === null ? '' : self::layer($part->layer);
        if ($layer !== '') {
            $held['The layer'] = $layer;
        }
        if ($part->spreadBefore !== []) {
            $held['Spread just before it was pulled'] = implode(' ', $part->spreadBefore).
                ' The results may show what was spread, and not the soil: pull again.';
        }

        return $held;
    }

    private static function layer(DepthLayer $layer): string
    {
        [$least, $most] = (new Fields(RuleTable::named('program-rules')))->numbers('layer_bottom_in') + [0.0, 0.0];
        $bottom = $layer->bottomCm / self::CM_PER_INCH;

        return $layer->topCm > 0 || $bottom < $least - 0.01 || $bottom > $most + 0.01
            ? "The composite stands for {$layer->text()}, and tables of rates are made for layers from the surface to ".
                "{$least} to {$most} in."
            : '';
    }

    /** @return list<ProgramLine> */
    private static function metal(PartResults $part, string $code, string $name): array
    {
        $values = $part->metals[$code] ?? [];
        $words = (new Fields(RuleTable::named('program-cautions')))->texts($code === 'pb' ? 'lead' : 'arsenic');
        if ($values === []) {
            return $code === 'pb' && $part->mayHoldMetals
                ? [
                    new ProgramLine(
                        '',
                        'ask',
                        'Lead has not been asked for',
                        'There is old paint or industry near, and no lead test.',
                        changes: 'Ask the lab for lead of the upper inch, and write it on the outside of the parcel.',
                        cautions: $words,
                    ),
                ]
                : [];
        }
        $step = self::strictest($code);
        $screen = MetalsScreen::of($values, $step['limit']);
        $highest = Words::trim($screen->maximum, 1);
        $said = "{$screen->n} ".($screen->n === 1 ? 'result' : 'results').
            ", highest {$highest} ppm, against {$step['limit']} ppm ({$step['says']}, {$step['since']}), the strictest of the table. ";
        $above = $screen->answer === 'above' || $screen->maximum >= $step['limit'];

        return [
            new ProgramLine(
                '',
                $screen->answer === 'below' ? 'zero' : 'stop',
                $name.match (true) {
                    $screen->answer === 'below' => ' below the strictest step',
                    $above => ' at or above a step',
                    $screen->answer === 'too_few' => ': too few results to tell',
                    default => ' too close to call',
                },
                $said.implode(' ', $screen->reasons),
                claim: 'lab',
                from: $part->of($code)->from ?? '',
                changes: $screen->answer === 'below' ? '' : 'More samples, of the upper inch where children play, narrow it.',
                cautions: $screen->answer === 'below' ? [] : $words,
            ),
        ];
    }

    /** @return array{limit: float, since: int, says: string} */
    private static function strictest(string $code): array
    {
        $steps = array_map(
            static function (mixed $row): array {
                $fields = new Fields(is_array($row) ? $row : []);

                return ['limit' => $fields->number('limit'), 'since' => $fields->whole('since'), 'says' => $fields->text('says')];
            },
            array_values((new Fields((new Fields(RuleTable::named('metals-limits')))->row('steps')))->row($code)),
        );
        usort($steps, static fn (array $a, array $b): int => $a['limit'] <=> $b['limit']);

        return $steps[0] ?? ['limit' => 1.0, 'since' => 0, 'says' => 'no step'];
    }

    /** Does a note on the pH belong here, before all else? */
    public static function takes(string $note): bool
    {
        return str_contains($note, 'Too close to call') || str_contains($note, 'different actions');
    }

    /** @return list<ProgramLine> what is too close to call */
    private static function close(PartResults $part): array
    {
        $lines = [];
        foreach ([...$part->lime->notes, ...$part->phNotes] as $note) {
            if (self::takes($note)) {
                $lines[] = new ProgramLine(
                    '',
                    'close',
                    str_contains($note, 'Too close to call') ? 'pH too close to call' : 'Composites disagree',
                    $note,
                    claim: $part->phClaim === 'rate' ? 'rate' : 'lab',
                    from: $part->phFrom,
                    changes: 'A second composite of this ground, sent to the same lab, would settle it.',
                );
            }
        }

        return $lines;
    }
}
