<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agreement\Words;
use HonestCore\Agronomy\Crop;
use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Agronomy\Lime\LimeSchool;
use HonestCore\Agronomy\Lime\SchoolRate;
use HonestCore\Amounts\SulphurRate;
use HonestCore\Quantity\AreaRate;

/**
 * The pH: lime by the schools whose reading exists, or sulphur after its causes, or neither.
 *
 * Quantity and unit: lb an acre of the schools' reference limestone, or of sulphur; one dressing at a time.
 * Rule: the school that the site chose sizes, else the first whose reading exists; the others stand beside it.
 * Source: LimeAdvice, SulphurRate; the choice of a school is the product's own rule.
 */
final class PhStep
{
    /** @return list<ProgramLine> */
    public static function lines(PartResults $part, Crop $wants, ProgramChoices $choices): array
    {
        return match ($part->lime->kind) {
            'amount' => self::lime($part, $wants, $choices->limeSchool),
            'too_high' => self::tooHigh($part, $wants, $choices),
            'leave' => [self::bare($part, 'zero', 'No lime', 0.0)],
            'direction' => [self::bare($part, 'direction', 'A direction only', null)],
            'stop' => [self::bare($part, 'stop', 'No amount', null)],
            default => [self::bare($part, 'unknown', 'Not known', null)],
        };
    }

    /** The rates in the order in which they are heard: that of the school that the site chose first. */
    private static function chosen(PartResults $part, string $school): ?SchoolRate
    {
        $rates = array_values(array_filter($part->lime->rates, static fn (SchoolRate $rate): bool => $rate->tons !== null));
        foreach ($rates as $rate) {
            if ($rate->school->value === $school) {
                return $rate;
            }
        }

        return $rates[0] ?? null;
    }

    /** @return list<ProgramLine> */
    private static function lime(PartResults $part, Crop $wants, string $school): array
    {
        $rate = self::chosen($part, $school);
        if ($rate === null) {
            return [self::bare($part, 'direction', 'Lime, how much is not known', null)];
        }
        [$tons, $now, $later] = [$rate->tons ?? 0.0, $rate->now ?? 0.0, $rate->later ?? 0.0];
        $reasons = self::reasons($part, $rate, $school);
        $between = $rate->interval === null
            ? null
            : [$rate->interval[0] * AreaRate::LB_PER_TON, $rate->interval[1] * AreaRate::LB_PER_TON];
        $lines = [
            (new ProgramLine(
                'lime',
                $now > 0 ? 'amount' : 'zero',
                $later > 1e-9 ? 'Lime, first dressing' : 'Lime',
                $part->lime->answer,
                $now * AreaRate::LB_PER_TON,
                $later > 1e-9 ? null : $between,
                self::claim($part),
                $part->phFrom,
                'All of it '.Words::trim($tons, 2).' tons/acre'.self::span($rate).'.',
                self::changes($rate),
                $reasons,
                $part->lime->cautions,
            ))->expecting(self::way($part, $wants, $rate->school->value, $tons * AreaRate::LB_PER_TON)),
        ];
        if ($later > 1e-9) {
            $lines[] = (new ProgramLine(
                '',
                'direction',
                'Lime, the rest',
                Words::trim($later, 2).' tons/acre wait for a retest: one dressing moves the pH one unit at most.',
                claim: self::claim($part),
                from: $part->phFrom,
                changes: 'The retest a year after the first dressing.',
            ))->expecting(self::way($part, $wants, $rate->school->value, $tons * AreaRate::LB_PER_TON));
        }

        return $lines;
    }

    /** What a school says that the pH will do: a rate of so many lb an acre goes the whole way to the target. */
    private static function way(PartResults $part, Crop $wants, string $school, float $wholeLb): ?ExpectedChange
    {
        return $part->ph === null || $wholeLb <= 0.0
            ? null
            : new ExpectedChange($school, 'ph', '', $part->ph->ph, 0.0, ($wants->target - $part->ph->ph) / $wholeLb);
    }

    /** @return list<string> */
    private static function reasons(PartResults $part, SchoolRate $rate, string $school): array
    {
        $others = array_values(
            array_filter(
                $part->lime->rates,
                static fn (SchoolRate $one): bool => $one->tons !== null && $one->school !== $rate->school,
            ),
        );
        $stone = LimeMaterial::reference();

        return [
            "Sized by the {$rate->school->title()} from a reading of ".Words::trim($rate->reading ?? 0.0, 2).
                ($rate->school->value === $school || $school === '' ? '.' : ', since the school of this site has no reading here.'),
            'As the limestone that schools are made for: '.Words::trim($stone->ccePercent, 0).' % carbonate, '.
                Words::trim($stone->through8, 0).' % through 8 mesh, '.Words::trim($stone->through60, 0).' % through 60.',
            ...array_map(
                static fn (SchoolRate $one): string => "The {$one->school->title()} says ".Words::trim($one->tons ?? 0.0, 2).
                    ' tons/acre'.self::span($one).'.',
                $others,
            ),
            ...$rate->reasons,
            ...self::notes($part),
        ];
    }

    private static function span(SchoolRate $rate): string
    {
        return $rate->interval === null
            ? ''
            : ', '.($rate->atMost ? 'at most, ' : '').Words::trim($rate->interval[0], 2).' to '.
                Words::trim($rate->interval[1], 2).' tons/acre';
    }

    private static function changes(SchoolRate $rate): string
    {
        return $rate->school === LimeSchool::Capacity
            ? 'Another measurement of the buffer capacity.'
            : 'A lower buffer pH would mean more lime, a higher one less; the pH itself says only whether.';
    }

    /** @return list<ProgramLine> */
    private static function tooHigh(PartResults $part, Crop $wants, ProgramChoices $choices): array
    {
        $ph = $part->ph->ph ?? 0.0;
        $fizzes = match ($part->causes['carbonate'] ?? 'unknown') {
            'yes' => true,
            'no' => $part->fizzes ?? false,
            default => $part->fizzes,
        };
        $found = SulphurRate::of($ph, $wants->target, $part->texture, fizzes: $fizzes, depthIn: $choices->mixedIn);
        $open = HighPhCauses::open($part->causes, $part->fizzes);
        $yes = array_keys(array_filter($part->causes, static fn (string $answer): bool => $answer === 'yes'));
        $lines = [self::bare($part, 'zero', 'No lime, and nothing that brings any', 0.0)];
        if ($open !== []) {
            $lines[] = new ProgramLine(
                '',
                'ask',
                'Why is it high? Ask first',
                implode(' ', $open),
                changes: 'The answers are kept on the area.',
            );
        }
        $other = array_diff($yes, ['carbonate']);
        if ($other !== []) {
            $lines[] = new ProgramLine(
                '',
                'stop',
                'A cause is known',
                'Answered yes: '.implode(', ', array_map(static fn (string $code): string => strtr($code, '_', ' '), $other)).
                    '. Treat the cause: sulphur would have to be repeated for ever.',
                changes: 'A retest after the cause is gone.',
            );
        }

        return [...$lines, self::sulphur($part, $found, $wants, $open === [] && $other === [])];
    }

    private static function sulphur(PartResults $part, SulphurRate $found, Crop $wants, bool $asked): ProgramLine
    {
        $first = $found->dressings[0] ?? null;
        $pounds = $first === null ? null : AreaRate::ofLbPer100SqFt($first)->lbPerAcre;
        $target = Words::trim($wants->target, 2);
        [$kind, $what, $answer] = match (true) {
            $found->answer === 'stop' => ['stop', 'No sulphur', implode(' ', $found->reasons)],
            $found->answer === 'unable' => ['unknown', 'Sulphur, how much is not known', implode(' ', $found->reasons)],
            $found->answer === 'none' => ['zero', 'No sulphur', implode(' ', $found->reasons)],
            ! $asked => ['ask', 'Sulphur waits for the answers', "It would be sized for pH {$target}."],
            count($found->dressings ?? []) > 1 => ['amount', 'Sulphur, first dressing', "Towards pH {$target}."],
            default => ['amount', 'Sulphur', "Towards pH {$target}."],
        };
        $amount = $kind === 'amount' ? $pounds : ($kind === 'zero' || $kind === 'stop' ? 0.0 : null);

        return (new ProgramLine(
            'sulphur',
            $kind,
            $what,
            $answer,
            $amount,
            null,
            self::claim($part),
            $part->phFrom,
            'The table says nothing of how sure it is.',
            'Carbonate in the soil, or a measured buffer capacity.',
            $kind === 'amount' ? $found->reasons : [],
        ))->expecting($kind === 'amount' ? self::way($part, $wants, 'sulphur', $found->lbPerAcre ?? 0.0) : null);
    }

    /**
     * What is said beside the pH, but for what stands under "stop first".
     *
     * @return list<string>
     */
    private static function notes(PartResults $part): array
    {
        return array_values(
            array_filter(
                [...$part->lime->notes, ...$part->phNotes],
                static fn (string $note): bool => ! StopFirst::takes($note),
            ),
        );
    }

    /** @return 'lab'|'rate'|'sort'|'none' */
    private static function claim(PartResults $part): string
    {
        return match ($part->phClaim) {
            'lab', 'rate', 'sort' => $part->phClaim,
            default => 'none',
        };
    }

    /** @param 'zero'|'direction'|'unknown'|'stop' $kind */
    private static function bare(PartResults $part, string $kind, string $what, ?float $pounds): ProgramLine
    {
        return new ProgramLine(
            'lime',
            $kind,
            $what,
            $part->lime->answer,
            $pounds,
            null,
            self::claim($part),
            $part->phFrom,
            '',
            implode(' ', $part->lime->next),
            self::notes($part),
            $part->lime->cautions,
        );
    }
}
