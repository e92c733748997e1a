<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Database\Values;
use App\Models\Lab;
use App\Models\Portion;
use App\Models\Sample;
use HonestCore\Custody\ProbableCodes;
use Illuminate\Database\Query\JoinClause;

/**
 * Finds the portions that a report speaks of: by their code, the code of the composite, or the number the lab gave
 * them before.
 */
final class MatchPortions
{
    private const OF_A_LAB = ['lab', 'lab_b', 'hidden', 'check'];

    private const CHUNK = 500;

    /** @var array<string, FoundPortion> */
    private array $known = [];

    public function __construct(private readonly Lab $lab) {}

    /** @param list<string> $texts codes or numbers, asked for at once */
    public function learn(array $texts): void
    {
        $tidy = [];
        foreach ($texts as $text) {
            $tidy[ProbableCodes::tidy($text)][] = $text;
        }
        foreach (array_chunk(array_keys($tidy), self::CHUNK) as $codes) {
            $codes = array_map(strval(...), $codes);
            foreach (
                self::rows()->whereIn('portions.code', $codes)->whereIn('portions.kind', self::OF_A_LAB)->get() as $row
            ) {
                $this->remember($tidy[(string) $row->code], FoundPortion::of($row));
            }
            foreach (
                self::rows()
                    ->whereIn('portions.sample_id', Sample::query()->whereIn('code', $codes)->select('id'))
                    ->where('portions.kind', 'lab')
                    ->addSelect('samples.code as sample_code')
                    ->get() as $row
            ) {
                $this->remember($tidy[(string) $row->sample_code], FoundPortion::of($row));
            }
        }
        foreach (array_chunk(array_values(array_unique($texts)), self::CHUNK) as $numbers) {
            $rows = self::rows()
                ->join('lab_results', static fn (JoinClause $on): JoinClause => $on
                    ->on('lab_results.portion_id', '=', 'portions.id')
                    ->on('lab_results.team_id', '=', 'portions.team_id'))
                ->join('lab_reports', 'lab_reports.id', '=', 'lab_results.report_id')
                ->where('lab_reports.lab_id', $this->lab->id)
                ->whereIn('lab_results.lab_number', $numbers)
                ->addSelect('lab_results.lab_number as lab_number')
                ->orderBy('lab_results.id')
                ->get();
            foreach ($rows as $row) {
                $this->known[(string) $row->lab_number] ??= FoundPortion::of($row);
            }
        }
    }

    /** Portions of the team with the depth of their composite, as plain rows. */
    private static function rows(): \Illuminate\Database\Query\Builder
    {
        return Portion::query()
            ->toBase()
            ->leftJoin('samples', 'samples.id', '=', 'portions.sample_id')
            ->select(['portions.id', 'portions.code', 'portions.kind', 'portions.sample_id', 'samples.depth']);
    }

    public function find(string $sample, string $labNumber): ?FoundPortion
    {
        return $this->known[$sample] ?? ($labNumber === '' ? null : $this->known[$labNumber] ?? null);
    }

    /** @return list<string> codes that may have been meant */
    public function near(string $text): array
    {
        $codes = ProbableCodes::of($text);

        return $codes === []
            ? []
            : Values::texts(
                array_slice(
                    [
                        ...Portion::query()
                            ->whereIn('code', $codes)
                            ->whereIn('kind', self::OF_A_LAB)
                            ->pluck('code')
                            ->all(),
                        ...Sample::query()->whereIn('code', $codes)->pluck('code')->all(),
                    ],
                    0,
                    3,
                ),
            );
    }

    /** @param list<string> $texts */
    private function remember(array $texts, FoundPortion $portion): void
    {
        foreach ($texts as $text) {
            $this->known[$text] = $portion;
        }
    }
}
