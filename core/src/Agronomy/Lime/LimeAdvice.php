<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Agreement\Verdict;
use HonestCore\Agreement\Words;
use HonestCore\Agronomy\Crop;
use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * What may be recommended about lime, and from what.
 *
 * Rule: a lab's pH and buffer pH give an amount, by each school from its own buffer; a cheap test gives a direction
 * and never an amount, and only when its sort claim was signed as standing and covers the reading; otherwise nothing
 * is recommended and the next test is named.
 * Quantity and unit: see LimeRate.
 * Source: the rule is the product's own.
 */
final readonly class LimeAdvice
{
    /**
     * @param 'amount'|'leave'|'too_high'|'direction'|'none' $kind
     * @param list<string> $notes
     * @param list<LimeRate> $rates
     * @param list<string> $next
     * @param list<string> $cautions
     */
    private function __construct(
        public string $kind,
        public string $answer,
        public array $notes,
        public array $rates,
        public array $next,
        public array $cautions,
    ) {}

    /**
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function from(?LabPh $lab, ?KitDirection $kit, Crop $crop, float $depthInches, LimeMaterial $material): self
    {
        return match (true) {
            $lab !== null => self::fromLab($lab, $crop, $depthInches, $material),
            $kit !== null && $kit->counts() => self::fromKit($kit),
            default => self::nothing($kit),
        };
    }

    /**
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    private static function fromLab(LabPh $lab, Crop $crop, float $depthInches, LimeMaterial $material): self
    {
        $notes = $next = [];
        foreach (['below which lime is asked for' => $crop->low, 'above which the crop is troubled' => $crop->high] as $what => $limit) {
            if ($lab->isTooCloseTo($limit)) {
                $notes[] = 'Too close to call: the lab\'s pH '.Words::trim($lab->ph, 2).' ± '.Words::trim($lab->uncertainty ?? 0.0, 2)
                    .' reaches over the limit of '.Words::trim($limit, 2).', '.$what.'.';
                $next[] = 'A second composite of this area, sent to the same lab, would settle it.';
            }
        }
        $ph = Words::trim($lab->ph, 2);
        if ($lab->ph >= $crop->high) {
            return new self('too_high', "No lime: pH {$ph} is at or above {$crop->high}, too high for {$crop->name}.", $notes, [],
                [...$next, 'Ask for drainage, salts, irrigation water and lost topsoil first, and do the vinegar fizz test before any sulphur: where it fizzes, do not sulphur the field.'], []);
        }
        if ($lab->ph >= $crop->low) {
            return new self('leave', "No lime: pH {$ph} is within {$crop->low} to {$crop->high} for {$crop->name}.", $notes, [], $next, []);
        }
        $schools = [
            self::school(MehlichBuffer::SCHOOL, $lab->mehlichBuffer, static fn (float $buffer): LimeRate => MehlichBuffer::rate(SoilAcidity::of($lab->ph, $buffer), $crop->target)),
            self::school(SmpBuffer::SCHOOL, $lab->smpBuffer, static fn (float $buffer): LimeRate => SmpBuffer::rate(SoilAcidity::of($lab->ph, $buffer), $crop->target)),
        ];
        $rates = array_map(static fn (LimeRate $rate): LimeRate => $rate->adjusted($depthInches, $material), $schools);
        $known = array_filter($rates, static fn (LimeRate $rate): bool => $rate->tonsPerAcre !== null);
        if ($known === []) {
            return new self('direction', "Lime is called for: pH {$ph} is below {$crop->low} for {$crop->name}. How much is not known.",
                [...$notes, 'The pH says whether, the buffer pH says how much.'], $rates,
                [...$next, 'Ask the lab for a buffer pH of the same sample before you buy lime.'], self::cautions('direction'));
        }

        return new self('amount', "Lime: pH {$ph} is below {$crop->low} for {$crop->name}; sized for pH {$crop->target}.",
            [...$notes, ...self::sizeNotes($known)], $rates, $next, self::cautions('amount'));
    }

    /** @param callable(float): LimeRate $rate */
    private static function school(string $school, ?float $buffer, callable $rate): LimeRate
    {
        return $buffer === null
            ? LimeRate::none($school, "The lab did not report a pH in this school's buffer; the other school's reading cannot stand in for it.", '')
            : $rate($buffer);
    }

    /**
     * @param non-empty-array<LimeRate> $known
     * @return list<string>
     *
     * @throws BadTable
     */
    private static function sizeNotes(array $known): array
    {
        /** @var array{most_in_one_dressing_tons_per_acre: float|int} $table */
        $table = RuleTable::named('lime-cautions');
        $most = (float) $table['most_in_one_dressing_tons_per_acre'];
        $tons = array_map(static fn (LimeRate $rate): float => $rate->tonsPerAcre ?? 0.0, $known);
        $notes = [];
        if (count($tons) > 1 && max($tons) > 0 && max($tons) - min($tons) > 0.25 * max($tons)) {
            $notes[] = 'The schools differ by more than a quarter: start with the smaller amount and test again.';
        }
        if (max($tons) > $most) {
            $notes[] = 'More than '.Words::trim($most).' tons an acre should not go on at once: split it over two seasons and test between them.';
        }

        return $notes;
    }

    private static function fromKit(KitDirection $kit): self
    {
        return match ($kit->action) {
            'lime' => new self('direction', "Direction only: lime is called for. The {$kit->test} reads {$kit->band} and its sort claim stands.",
                ['The kit cannot size a rate: no amount can be given from it.'], [],
                ['Send it for a buffer pH before you buy lime.'], self::cautions('direction')),
            'too high' => new self('direction', "Direction only: the pH is too high. The {$kit->test} reads {$kit->band} and its sort claim stands.",
                ['The kit cannot size a rate: no amount can be given from it.'], [],
                ['Send it to the lab before any sulphur, and do the vinegar fizz test first.'], self::cautions('direction')),
            default => new self('direction', "Direction only: leave it. The {$kit->test} reads {$kit->band} and its sort claim stands.",
                ['A kit that says leave cannot say how far the limit is.'], [],
                ['Send a portion to the lab at the next regular retest.'], []),
        };
    }

    private static function nothing(?KitDirection $kit): self
    {
        if ($kit === null) {
            return new self('none', 'No recommendation: no pH has been measured here yet.', [], [],
                ['Pull a composite and send its lab portion for pH and buffer pH.'], []);
        }
        $why = match (true) {
            $kit->signed === null => 'no verdict on its sort claim has been signed',
            $kit->signed !== Verdict::Stands => "its sort claim is signed as \"{$kit->signed->value}\", not as standing",
            $kit->action === null => "its band {$kit->band} straddles a limit with an open end and cannot sort",
            default => "its reading {$kit->band} lies outside the readings that the verdict rests on",
        };

        return new self('none', "No recommendation: the only reading is by {$kit->test}, and {$why}.", [], [],
            ['Send the lab portion for pH and buffer pH.', 'Each pair of kit and lab readings on the same composite is evidence for the kit: enter both.'], []);
    }

    /**
     * @return list<string>
     *
     * @throws BadTable
     */
    private static function cautions(string $kind): array
    {
        /** @var array<string, list<string>> $table */
        $table = RuleTable::named('lime-cautions');

        return $table[$kind];
    }
}
