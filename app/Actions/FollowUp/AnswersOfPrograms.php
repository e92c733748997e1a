<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Models\Area;
use App\Models\Control;
use App\Models\SignedProgram;
use HonestCore\FollowUp\GroundAct;
use HonestCore\FollowUp\GroundHistory;
use HonestCore\FollowUp\ProgramAnswer;
use HonestCore\FollowUp\SeriesPoint;
use HonestCore\FollowUp\SizedLine;
use HonestCore\FollowUp\SpreadOfLine;
use Illuminate\Database\Eloquent\Collection;

/** Did it work? The answer of every line that corrects something, of every signed program of some areas. */
final class AnswersOfPrograms
{
    public function __construct(private readonly RoundsOfAreas $rounds) {}

    /** @return list<AnsweredLine> of a site, the newest program first */
    public function ofSite(int $siteId): array
    {
        return $this->of(Area::ofSite($siteId));
    }

    /** @return list<AnsweredLine> of all ground of the team on which anything of a program was spread */
    public function ofTeam(): array
    {
        return $this->of(
            Area::query()->whereHas('groundEvents', static fn ($events) => $events->whereNotNull('program_id'))->orderBy('id')->get(),
        );
    }

    /**
     * @param Collection<int, Area> $areas
     * @return list<AnsweredLine>
     */
    public function of(Collection $areas): array
    {
        $areas->loadMissing(['groundEvents', 'site:id,name,timezone,units']);
        $ids = array_values(array_map(static fn (Area $area): int => $area->id, $areas->all()));
        $programs = SignedProgram::query()
            ->whereIn('area_id', $ids)
            ->orderByDesc('id')
            ->get(['id', 'area_id', 'crop', 'season', 'outlook', 'created_at', 'follows_id']);
        $controls = Control::query()->whereIn('area_id', $ids)->with(['ground', 'ground.groundEvents'])->get();
        $cuts = $areas->mapWithKeys(static fn (Area $area): array => [$area->id => $area->groundHistory()->spreadDays()])->all();
        $known = [];
        $answers = [];
        foreach ($programs as $program) {
            $area = $areas->find($program->area_id) ?? throw new \LogicException('Programs were asked for by these areas.');
            foreach (self::byKey($program) as $key => $lines) {
                $analyte = $lines[0]->analyte();
                $known[$analyte] ??= [
                    $this->rounds->of($ids, $analyte, $cuts),
                    $this->rounds->ofControls(array_values($controls->all()), $analyte),
                ];
                [$rounds, $ofControls] = $known[$analyte];
                $answers[] = $this->answer(
                    $area,
                    $program,
                    $key,
                    $lines,
                    $rounds[$area->id] ?? [],
                    $controls->where('area_id', $area->id),
                    $ofControls,
                );
            }
        }

        return $answers;
    }

    /** @return array<string, non-empty-list<SizedLine>> */
    private static function byKey(SignedProgram $program): array
    {
        $by = [];
        foreach ($program->outlook->sized as $line) {
            $by[$line->key][] = $line;
        }

        return $by;
    }

    /**
     * @param non-empty-list<SizedLine> $lines
     * @param list<PulledRound> $rounds
     * @param Collection<int, Control> $controls
     * @param array<int, list<PulledRound>> $ofControls
     */
    private function answer(
        Area $area,
        SignedProgram $program,
        string $key,
        array $lines,
        array $rounds,
        Collection $controls,
        array $ofControls,
    ): AnsweredLine {
        $history = $area->groundHistory();
        $spread = new SpreadOfLine($history->acts, $program->id, $key);
        $held = HeldRounds::of($rounds, $spread, $key);
        [$before, $after] = [$held->before, $held->after];
        $spread = $before === null || $spread->first === '' ? $spread : $spread->since($before->point->on);
        $control = $after === null
            ? null
            : $controls->first(
                static fn (Control $one): bool => $one->coversDay($spread->first) && $one->coversDay($after->point->on),
            );
        $known = $spread->first !== '' && $spread->unknown === [];

        return new AnsweredLine(
            $area,
            $program,
            $key,
            $lines,
            $before === null || $after === null || ! $known
                ? self::waiting($spread, $lines, $before)
                : self::judged($key, $spread, $lines, $before, $after, $control, $held->beside($ofControls[$control->id ?? 0] ?? []))
                    ->saying(...self::unknown($history, $before, $after)),
            $control,
            $spread->acts,
            $known ? $spread->pounds($lines) : null,
        );
    }

    /**
     * @param non-empty-list<SizedLine> $lines
     * @param array{SeriesPoint, SeriesPoint}|null $beside rounds of the control
     */
    private static function judged(
        string $key,
        SpreadOfLine $spread,
        array $lines,
        PulledRound $before,
        PulledRound $after,
        ?Control $control,
        ?array $beside,
    ): ProgramAnswer {
        $plots = SpreadOfLine::plotsOf($lines, $before->point, $after->point);
        if ($plots === []) {
            return ProgramAnswer::waiting(
                'no_after',
                $spread->expected($lines),
                $before->point,
                "The parts it was spread on were not pulled in the same layout on {$before->point->on} and {$after->point->on}: ".
                    'what changed on them cannot be told.',
            );
        }
        $treated = $control?->ground?->groundHistory()->broughtBetween($key, $before->point->on, $after->point->on) ?? [];
        $answer = ProgramAnswer::of(
            $key,
            $spread->expected($lines),
            $spread->last,
            $before->point->onlyPlots($plots),
            $after->point->onlyPlots($plots),
            $treated === [] ? $beside : null,
            $after->scatter ?? $before->scatter,
            $after->cores,
        );

        return match (true) {
            $control === null => $answer,
            $treated !== [] => $answer->saying(
                "{$control->name} is no control here: {$treated[0]->what} was spread on it on {$treated[0]->day()}.",
            ),
            $beside === null => $answer->saying('The control was not pulled in the same rounds.'),
            default => $answer,
        };
    }

    /** @return list<string> what else was spread between the rounds that nobody knows the worth of */
    private static function unknown(GroundHistory $history, PulledRound $before, PulledRound $after): array
    {
        return array_map(
            static fn (GroundAct $act): string => "{$act->what} was spread in between too ({$act->day()}), "
                .'and what it brings is not known.',
            $history->unknownBetween($before->point->on, $after->point->on),
        );
    }

    /**
     * Why there is no answer yet, in the order of the work.
     *
     * @param non-empty-list<SizedLine> $lines
     */
    private static function waiting(SpreadOfLine $spread, array $lines, ?PulledRound $before): ProgramAnswer
    {
        [$state, $why] = match (true) {
            $spread->first === '' => [
                'not_spread', $spread->declined ? 'It was noted that nothing was spread.' : 'Nobody noted that it was spread.',
            ],
            $spread->unknown !== [] => [
                'unknown_rate',
                'What '.implode(' and ', $spread->unknown).' brings is not known: how much was spread of it cannot be said.',
            ],
            $before === null => ['no_before', 'Nothing was pulled before it was spread.'],
            default => ['no_after', 'Nothing was pulled since it was spread.'],
        };
        $known = in_array($state, ['no_before', 'no_after'], true);

        return ProgramAnswer::waiting($state, $known ? $spread->expected($lines) : null, $before?->point, $why);
    }
}
