<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agreement\Words;
use HonestCore\Quantity\AreaRate;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;
use HonestCore\Table\Fields;

/**
 * A signed program in plain words for whoever grows there: where the sample comes from, what was found, what to do, and what is
 * not known.
 *
 * Quantity and unit: those of the site, US customary or metric; amounts for the whole ground and for a hundred square feet or a
 * square metre.
 */
final readonly class GrowersWords
{
    private const KG_PER_LB = 0.45359237;

    private const LB_A_LOT = 2000.0;

    private function __construct(private Fields $body, private bool $isMetric) {}

    /** @param array<string, mixed> $body of a signed program */
    public static function of(array $body): self
    {
        $fields = new Fields($body);

        return new self($fields, (new Fields($fields->row('site')))->text('units') === 'metric');
    }

    public function area(): string
    {
        return (new Fields($this->body->row('area')))->text('name');
    }

    public function site(): string
    {
        return (new Fields($this->body->row('site')))->text('name');
    }

    public function address(): string
    {
        return (new Fields($this->body->row('site')))->text('address');
    }

    public function timezone(): string
    {
        return (new Fields($this->body->row('site')))->text('timezone');
    }

    public function crop(): string
    {
        return (new Fields($this->body->row('crop')))->text('name');
    }

    public function size(): string
    {
        return $this->ground((new Fields($this->body->row('area')))->number('area_m2'));
    }

    /** @return list<Fields> the parts, one for an area in one */
    public function parts(): array
    {
        return array_map(static fn (array $part): Fields => new Fields($part), $this->body->rows('parts'));
    }

    /** Ground that was planned for sampling and was not measured: nothing is said of it. Empty where there is none. */
    public function unmeasured(): string
    {
        $missing = $this->body->whole('parts_planned', 1) - count($this->parts());

        return $missing > 0 ? "{$missing} of {$this->body->whole('parts_planned')} parts were not measured: nothing is said of them." : '';
    }

    /** Which part of the ground, in words; empty for an area in one. */
    public function partName(Fields $part): string
    {
        return $part->whole('number') === 0 ? '' : "{$part->text('label')}, {$this->ground($part->number('area_m2'))}";
    }

    /** Where the sample comes from. */
    public function sample(Fields $part): string
    {
        if ($part->text('sample') === '') {
            return 'Nothing was sampled here yet.';
        }
        $depth = $part->textOrNull('depth');

        return "Sample {$part->text('sample')}".($depth === null ? '' : ", taken from {$this->depth($depth)}").'.';
    }

    /**
     * What was found, each on its own scale; places are shares of it.
     *
     * @return list<array{name: string, value: string, wants: string, at: float, from: float, to: float, low: float|null,
     *     high: float|null}>
     */
    public function found(Fields $part): array
    {
        return array_map(static function (array $row): array {
            $it = new Fields($row);
            [$from, $to] = [$it->number('from'), $it->number('to')];
            $share = static fn (float $value): float => max(0.0, min(1.0, ($value - $from) / ($to - $from)));
            $digits = $it->whole('digits');
            $unit = $it->text('unit') === '' ? '' : " {$it->text('unit')}";
            $u = $it->numberOrNull('uncertainty');
            [$low, $high] = [$it->numberOrNull('low'), $it->numberOrNull('high')];
            $shown = static fn (float $value): string => rtrim(rtrim(number_format($value, 2), '0'), '.');

            return [
                'name' => ucfirst($it->text('name')) === 'PH' ? 'pH' : ucfirst($it->text('name')),
                'value' => number_format($it->number('value'), $digits).
                    ($u === null ? '' : ', give or take '.number_format($u, $digits)).$unit.
                    ($u === null ? '. How sure this is has not been stated' : ''),
                'wants' => match (true) {
                    $low === null => 'There are no limits for it here.',
                    $high === null => "Low below {$shown($low)}.",
                    default => "Wanted between {$shown($low)} and {$shown($high)}.",
                },
                'at' => $share($it->number('value')),
                'from' => $share($it->number('value') - ($u ?? 0.0)),
                'to' => $share($it->number('value') + ($u ?? 0.0)),
                'low' => $low === null ? null : $share($low),
                'high' => $high === null ? null : $share($high),
            ];
        }, $part->rows('found'));
    }

    /**
     * What to do: when, with what, how much, and what to take care of.
     *
     * @return list<array{when: string, what: string, how_much: string, how: string, cautions: list<string>}>
     */
    public function toDo(Fields $part): array
    {
        $amounts = [];
        foreach ($part->rows('amounts') as $row) {
            $amounts[(new Fields($row))->text('product')] = new Fields($row);
        }
        $acres = Extent::ofSquareMetres($part->number('area_m2'))->acres();
        $seen = $todo = [];
        foreach ($part->rows('days') as $row) {
            $day = new Fields($row);
            $amount = $amounts[$day->text('product')] ?? null;
            if ($amount === null) {
                continue;
            }
            $grade = $amount->text('grade') === '0-0-0' ? '' : " ({$amount->text('grade')})";
            $todo[] = [
                'when' => (new \DateTimeImmutable($day->text('on')))->format('j F Y'),
                'what' => $amount->text('name').$grade,
                'how_much' => $this->amount($day->number('lb_per_acre'), $acres, $amount->numberOrNull('bag_lb')),
                'how' => $day->text('what').'.',
                'cautions' => isset($seen[$day->text('product')]) ? [] : $amount->texts('cautions'),
            ];
            $seen[$day->text('product')] = true;
        }

        return $todo;
    }

    /**
     * What was decided against, and why none of it is spread.
     *
     * @return list<string>
     */
    public function none(Fields $part): array
    {
        return $this->lines($part, static fn (Fields $line, string $step): bool => $step !== 'stop' && $line->text('kind') === 'zero');
    }

    /**
     * What is not known, and what would settle it.
     *
     * @return list<string>
     */
    public function unknown(Fields $part): array
    {
        return $this->lines(
            $part,
            static fn (Fields $line, string $step): bool => in_array($line->text('kind'), ['unknown', 'ask', 'direction', 'close'], true) ||
                ($step !== 'stop' && $line->text('kind') === 'stop'),
            true,
        );
    }

    /**
     * What to know before anything is spread.
     *
     * @return list<array{what: string, answer: string, cautions: list<string>}>
     */
    public function first(Fields $part): array
    {
        $found = [];
        foreach ($part->rows('steps') as $step) {
            foreach ((new Fields($step))->text('code') === 'stop' ? (new Fields($step))->rows('lines') : [] as $row) {
                $line = new Fields($row);
                if ($line->text('kind') === 'stop') {
                    $found[] = ['what' => $line->text('what'), 'answer' => $line->text('answer'), 'cautions' => $line->texts('cautions')];
                }
            }
        }

        return $found;
    }

    /** @return list<string> what goes against the figures, with its reason */
    public function overrides(Fields $part): array
    {
        $found = [];
        foreach ($part->rows('steps') as $step) {
            foreach ((new Fields($step))->rows('lines') as $row) {
                $line = new Fields($row);
                $override = $line->rowOrNull('override');
                if ($override !== null) {
                    $was = (new Fields($override))->numberOrNull('was');
                    $found[] = "{$line->text('what')}: set to ".$this->rate($line->number('lb_per_acre')).' against '.
                        ($was === null ? 'no figure' : $this->rate($was)).'. '.(new Fields($override))->text('reason');
                }
            }
        }

        return $found;
    }

    /** An amount on ground: the whole, on a small piece, and in bags where it is sold so. */
    private function amount(float $lbPerAcre, float $acres, ?float $bagLb): string
    {
        $pounds = $lbPerAcre * $acres;
        $rate = AreaRate::ofLbPerAcre($lbPerAcre);
        $small = $this->isMetric
            ? self::figure($rate->kgPerHa() / 10).' g on each square metre'
            : self::figure($rate->lbPer100SqFt()).' lb on each 100 square feet';
        $bags = $bagLb === null ? '' : ', '.self::figure($pounds / $bagLb).' bags of '.
            ($this->isMetric ? self::figure($bagLb * self::KG_PER_LB).' kg' : self::figure($bagLb).' lb');

        return $this->weight($pounds)." in all ({$small}){$bags}";
    }

    private function weight(float $pounds): string
    {
        if ($this->isMetric) {
            $kg = $pounds * self::KG_PER_LB;

            return $kg >= 1000 ? self::figure($kg / 1000).' t' : self::figure($kg).' kg';
        }

        return $pounds >= self::LB_A_LOT ? self::figure($pounds / self::LB_A_LOT).' tons' : self::figure($pounds).' lb';
    }

    private function rate(float $lbPerAcre): string
    {
        return $this->isMetric
            ? self::figure(AreaRate::ofLbPerAcre($lbPerAcre)->kgPerHa()).' kg/ha'
            : self::figure($lbPerAcre).' lb an acre';
    }

    private function ground(float $squareMetres): string
    {
        $extent = Extent::ofSquareMetres($squareMetres);

        $size = self::figure($this->isMetric ? $extent->hectares() : $extent->acres());

        return $size.($this->isMetric ? ' hectare' : ' acre').($size === '1' ? '' : 's');
    }

    private function depth(string $notation): string
    {
        $layer = DepthLayer::parse($notation);

        return $this->isMetric
            ? round($layer->topCm).' to '.round($layer->bottomCm).' cm deep'
            : round($layer->topCm / 2.54, 1).' to '.round($layer->bottomCm / 2.54, 1).' inches deep';
    }

    /**
     * @param \Closure(Fields, string): bool $which
     * @return list<string>
     */
    private function lines(Fields $part, \Closure $which, bool $withNext = false): array
    {
        $found = [];
        foreach ($part->rows('steps') as $step) {
            $step = new Fields($step);
            foreach ($step->rows('lines') as $row) {
                $line = new Fields($row);
                if ($which($line, $step->text('code'))) {
                    $answer = preg_replace('/^Too close to call: /', '', $line->text('answer'));
                    $found[] = (new SiteRates($this->isMetric))->inWords(
                        trim("{$line->text('what')}: {$answer}".($withNext ? " {$line->text('changes')}" : '')),
                    );
                }
            }
        }

        return $found;
    }

    /** Three significant digits, no more than two decimals but for what is small. */
    private static function figure(float $value): string
    {
        return $value >= 100 ? number_format($value) : Words::trim($value, $value >= 10 ? 1 : Words::decimals($value, 2));
    }
}
