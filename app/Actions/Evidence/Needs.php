<?php

declare(strict_types=1);

namespace App\Actions\Evidence;

use App\Database\Values;
use App\Models\Portion;
use App\Models\Reading;
use HonestCore\Agreement\ActionLimits;
use HonestCore\Agreement\Call;
use HonestCore\Agreement\CoveredGroup;
use HonestCore\Agreement\SortOutlook;
use HonestCore\Statistics\BinomialBound;
use HonestCore\Statistics\ConfidenceSequence;

/** What would settle the claim: how many more pairs, of which soils, and which portions on the shelf would serve. */
final class Needs
{
    public function __construct(private readonly SamplingSplit $sampling) {}

    private const LEAST_IN_CLASS = 3;

    private const SHOWN = 6;

    /** @return array<string, mixed> */
    public function of(Evidence $evidence): array
    {
        $sort = $evidence->assessment()->sort;
        $policy = $evidence->policy->policy();
        $actions = $evidence->policy->terms->actions;
        $classes = [];
        foreach ($sort->tally->perClass as $class => ['n' => $n, 'agree' => $agree]) {
            $classes[] = [
                'action' => $actions[$class] ?? '',
                'n' => $n,
                'agree' => $agree,
                'lacks' => $sort->lacking[$class] ?? 0,
            ];
        }
        $n = count($evidence->counted());

        return [
            'more_pairs' => $sort->morePairs,
            'classes' => $classes,
            'scope' => self::scope($evidence),
            'outlook' => self::outlook($evidence),
            'portions' => $evidence->against === '' ? $this->portions($evidence, $sort->tally->perClass) : [],
            'once' => $n === 0
                    ? BinomialBound::furtherHits(0, 0, $policy->required, $policy->confidence)
                    : BinomialBound::furtherHits($sort->tally->agree, $n, $policy->required, $policy->confidence),
            'often' => $n === 0
                    ? ConfidenceSequence::furtherHits(0, 0, $policy->required, $policy->confidence)
                    : ConfidenceSequence::furtherHits($sort->tally->agree, $n, $policy->required, $policy->confidence),
        ];
    }

    /** @return list<array{action: string|null, one: float, five: float, ten: float|null}>|null soils at random first */
    private static function outlook(Evidence $evidence): ?array
    {
        $found = SortOutlook::of($evidence->assessment()->sort, $evidence->policy->policy());
        $actions = $evidence->policy->terms->actions;

        return $found === null ? null : array_map(static fn (SortOutlook $one): array => [
            'action' => $one->class === null ? null : $actions[$one->class] ?? '',
            'one' => $one->settles[1] ?? 0.0,
            'five' => $one->settles[5] ?? 0.0,
            'ten' => $one->settles[10] ?? null,
        ], $found);
    }

    /** @return list<string> where the pairs reach and where they do not */
    private static function scope(Evidence $evidence): array
    {
        $values = array_map(static fn (Pair $pair): float => $pair->reference, $evidence->counted());
        if ($values === []) {
            return ['No pair yet.'];
        }
        sort($values);
        $unit = $evidence->test->analyte === 'ph' ? 'pH' : $evidence->test->analyte;
        $decimals = $unit === 'pH' ? 1 : 0;
        $shown = static fn (float $value): string => number_format($value, $decimals, '.', '');
        $words = [
            "No pair below {$unit} ".
            $shown(floor($values[0] * 10 ** $decimals) / 10 ** $decimals).
            ' and none above '.
            $shown(ceil($values[count($values) - 1] * 10 ** $decimals) / 10 ** $decimals).
            ': there the verdict is silent.',
        ];
        [$gap, $from] = [0.0, null];
        foreach (array_slice($values, 1) as $i => $value) {
            if ($value - $values[$i] > $gap) {
                [$gap, $from] = [$value - $values[$i], $i];
            }
        }
        if ($from !== null && $gap > 0.2 * ($values[count($values) - 1] - $values[0])) {
            $words[] = "None lies between {$shown($values[$from])} and {$shown($values[$from + 1])}.";
        }

        return $words;
    }

    /** The lot in use, where pairs of its own would carry the verdict over to it. */
    private function lotToAsk(Evidence $evidence): ?CoveredGroup
    {
        foreach ($evidence->coverage('sort')->lots as $lot) {
            if ($lot->name === $evidence->test->lot && ! $lot->refuted && $lot->lacking() > 0 && $evidence->counted() !== []) {
                return $lot;
            }
        }

        return null;
    }

    /**
     * Portions at hand of composites that the reference has read and the test, or its new lot, has not: those of an action
     * that was asked too little come first, then those near a limit, where a test errs, before the easy ones far from it.
     *
     * @param list<array{n: int, agree: int}> $perClass
     * @return list<array{portion: string, portion_id: int, sample_id: int, sample: string, area: string,
     *     place: string, why: string}>
     */
    private function portions(Evidence $evidence, array $perClass): array
    {
        $known = [];
        foreach (
            Reading::query()
                ->where('method_id', $evidence->reference->id)
                ->where('flags', '[]')
                ->whereDoesntHave('correction')
                ->whereNotNull('value')
                ->orderBy('id')
                ->toBase()
                ->select(['sample_id', 'value'])
                ->cursor() as $reading
        ) {
            $known[Values::whole($reading->sample_id)] = Values::number($reading->value);
        }
        $lot = $this->lotToAsk($evidence);
        $paired = self::read($evidence, $lot);
        $portions = Portion::query()
            ->whereIn('kind', ['archive', 'bench'])
            ->whereIn('state', ['shelved', 'dried', 'split'])
            ->whereIn('sample_id', array_slice(array_keys(array_diff_key($known, $paired)), 0, 2000))
            ->with('sample.area')
            ->orderBy('id')
            ->limit(400)
            ->get();
        $actions = $evidence->policy->terms->actions;
        $expanded = $this->sampling->expanded($evidence->reference) ?? 0.0;
        [$rows, $ranks] = [[], []];
        foreach ($portions as $portion) {
            $sample = $portion->sample;
            if ($sample === null || isset($rows[$sample->id])) {
                continue;
            }
            $limits = $evidence->policy->limitsFor($sample->area->use);
            $class = $limits->classOf($known[$sample->id]);
            $asked = $perClass[$class]['n'] ?? 0;
            $close = Call::ofValue($known[$sample->id], $expanded, $limits)->isTooClose();
            $ranks[$sample->id] = [
                $asked >= self::LEAST_IN_CLASS ? 1 : 0,
                self::fromLimit($known[$sample->id], $limits),
                $asked,
            ];
            $rows[$sample->id] = [
                'portion' => $portion->code,
                'portion_id' => $portion->id,
                'sample_id' => $sample->id,
                'sample' => $sample->code,
                'area' => $sample->area->name,
                'place' => $portion->place,
                'why' => self::why($asked, $actions[$class] ?? '', $lot, $close),
            ];
        }
        uksort($rows, static fn (int $a, int $b): int => $ranks[$a] <=> $ranks[$b]);

        return array_slice(array_values($rows), 0, self::SHOWN);
    }

    /** @return array<int, true> composites that the test, or the lot that is asked about, has read */
    private static function read(Evidence $evidence, ?CoveredGroup $lot): array
    {
        $read = [];
        foreach ($evidence->counted() as $pair) {
            if ($lot === null || isset($pair->byLot["lot {$lot->name}"])) {
                $read[$pair->sample->id] = true;
            }
        }

        return $read;
    }

    private static function fromLimit(float $value, ActionLimits $limits): float
    {
        $apart = array_map(static fn (float $limit): float => abs($value - $limit), $limits->values);

        return $apart === [] ? 0.0 : min($apart);
    }

    private static function why(int $asked, string $action, ?CoveredGroup $lot, bool $close): string
    {
        $so = match ($asked) {
            0 => 'never',
            1 => 'once',
            default => "{$asked} times",
        };

        return ($asked < self::LEAST_IN_CLASS ? "{$action} was asked {$so} so far" : "another pair for {$action}").
            match (true) {
                $lot === null => '',
                $lot->name === '' => ', with no lot named',
                default => ", with lot {$lot->name}",
            }.
            ($close ? '; the lab itself is too close to a limit to be sure' : '');
    }
}
