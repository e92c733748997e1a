<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Actions\Evidence\GatherEvidence;
use App\Exceptions\Conflict;
use App\Models\PracticeField;
use App\Models\PracticeSoil;
use App\Models\SignedVerdict;
use HonestCore\Practice\Chance;
use HonestCore\Practice\ClaimTruth;
use HonestCore\Practice\PracticeChoices;
use HonestCore\Practice\PracticeCost;

/** Shows what the ground was, once something is signed: nobody sees it before, whoever asks and however. */
final class Reveal
{
    /** pH by which soils to come differ from those that were pulled. */
    private const NEXT_SOILS_SD = 0.1;

    public function __construct(
        private readonly SeasonOnGround $season,
        private readonly GatherEvidence $gather,
        private readonly MistakeOfLesson $mistake,
    ) {}

    public function __invoke(PracticeField $field): RevealView
    {
        if (! $field->isSigned()) {
            throw Conflict::because('practice_not_signed');
        }
        $season = ($this->season)($field);
        $verdicts = $this->verdicts($field);
        $choices = $season->choices ?? PracticeChoices::careful();

        return new RevealView(
            $season,
            $verdicts,
            PracticeCost::of($field->ground(), PracticeChoices::careful(), $season->stakes, $field->seed),
            $season->choices === null ? [] : PracticeCost::dearest($field->ground(), $choices, $season->stakes, $field->seed),
            $field->lessonOf(),
            $field->lesson === null ? null : ($this->mistake)($field, $season),
        );
    }

    /** @return list<VerdictOnGround> */
    private function verdicts(PracticeField $field): array
    {
        $soils = array_values(PracticeSoil::query()->orderBy('id')->get()
            ->map(static fn (PracticeSoil $soil): float => $soil->holds['ph'] ?? NAN)->all());
        $lines = [];
        foreach (SignedVerdict::standing()->with('method')->orderBy('id')->get() as $signed) {
            if ($signed->method->analyte !== 'ph' || $soils === []) {
                continue;
            }
            $lot = is_string($signed->scope['lot'] ?? null) ? $signed->scope['lot'] : $signed->method->lot;
            $lines[] = new VerdictOnGround(
                $signed->method->name,
                $signed->claim,
                $signed->verdict,
                $this->truth($field, $soils, $signed->method->code, $lot),
            );
        }

        return $lines;
    }

    /** @param non-empty-list<float> $soils */
    private function truth(PracticeField $field, array $soils, string $test, string $lot): ClaimTruth
    {
        $chance = Chance::named($field->seed, "truth of {$lot}");
        [$kit, $lab, $reader, $off] = [$field->kit($test), $field->lab(), ReadByKit::OWN, $field->lotOff($test, $lot)];

        return ClaimTruth::of(
            static fn (int $i): float => $soils[$i % count($soils)] + $chance->normal(0.0, self::NEXT_SOILS_SD),
            static fn (float $ph, int $i): float => $kit->shown($ph, $lot, $reader, "to come {$i}", "soil {$i}", [], $off),
            static fn (float $ph): float => $lab->report([$ph], $chance)[0],
            $field->levelOf()->ofTool('kit', 'repeat'),
            $this->gather->policy('ph')->policy(),
        );
    }
}
