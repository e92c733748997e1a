<?php

declare(strict_types=1);

namespace App\Actions\Reports;

use App\Models\Lab;
use App\Models\LabResult;
use App\Models\Portion;
use App\Models\Sample;
use HonestCore\Custody\ProbableCodes;

/** Finds the portions that a report speaks of: by their code, the code of the composite, or the number the lab gave them before. */
final class MatchPortions
{
    private const OF_A_LAB = ['lab', 'lab_b', 'hidden', 'check'];

    private const CHUNK = 500;

    /** @var array<string, Portion|null> */
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
            foreach (Portion::query()->whereIn('code', $codes)->whereIn('kind', self::OF_A_LAB)->with('sample:id,area_id,depth,code')->get() as $portion) {
                $this->remember($tidy[$portion->code], $portion);
            }
            foreach (Sample::query()->whereIn('code', $codes)->with('portions.sample:id,area_id,depth,code')->get() as $sample) {
                $portion = $sample->portions->first(static fn (Portion $one): bool => $one->kind === 'lab');
                if ($portion !== null) {
                    $this->remember($tidy[$sample->code], $portion);
                }
            }
        }
        foreach (array_chunk(array_values(array_unique($texts)), self::CHUNK) as $numbers) {
            foreach (LabResult::query()->whereIn('lab_number', $numbers)->whereHas('import', fn ($import) => $import->where('lab_id', $this->lab->id))->with('portion.sample:id,area_id,depth,code')->get()->unique('lab_number') as $result) {
                $this->known[$result->lab_number] ??= $result->portion;
            }
        }
    }

    public function find(string $sample, string $labNumber): ?Portion
    {
        return $this->known[$sample] ?? ($labNumber === '' ? null : ($this->known[$labNumber] ?? null));
    }

    /** @return list<string> codes that may have been meant */
    public function near(string $text): array
    {
        $codes = ProbableCodes::of($text);

        return $codes === [] ? [] : array_values(array_slice([
            ...Portion::query()->whereIn('code', $codes)->whereIn('kind', self::OF_A_LAB)->pluck('code')->all(), ...Sample::query()->whereIn('code', $codes)->pluck('code')->all(),
        ], 0, 3));
    }

    /** @param list<string> $texts */
    private function remember(array $texts, Portion $portion): void
    {
        foreach ($texts as $text) {
            $this->known[$text] = $portion;
        }
    }
}
