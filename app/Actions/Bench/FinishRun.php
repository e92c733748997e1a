<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Actions\Readings\KnownBefore;
use App\Database\AllOrNothing;
use App\Database\Values;
use App\Exceptions\Conflict;
use App\Models\ReagentLot;
use App\Models\Run;
use App\Models\RunMark;
use App\Models\RunTube;
use App\Models\User;
use HonestCore\Bench\BenchReading;
use HonestCore\Bench\BenchTube;
use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\ObservedBreak;
use HonestCore\Bench\ScaleKind;
use HonestCore\Jar\JarTexture;
use Illuminate\Support\Carbon;

/** Turns what was read in a run into readings, each with what broke its protocol, and works out what the run cost. */
final class FinishRun
{
    public function __construct(private readonly LeadRun $lead, private readonly RunBreaks $breaks, private readonly KnownBefore $known) {}

    public function __invoke(Run $run, User $author, bool $leaveUnread, string $note): Run
    {
        return AllOrNothing::of(function () use ($run, $author, $leaveUnread, $note): Run {
            $run = Run::query()
                ->with(['tubes.portion.sample.site', 'marks', 'version', 'method', 'calibration', 'captures'])
                ->findOrFail($run->id);
            if ($run->state !== 'open') {
                return $run;
            }
            $replay = $this->lead->replay($run, Values::whole($run->marks->max('at_ms')));
            $open = array_filter($replay->tubes, static fn (BenchTube $tube): bool => $tube->isOpen());
            if ($open !== [] && ! $leaveUnread) {
                throw count($open) === 1
                        ? Conflict::because('tube_open')
                        : Conflict::because('tubes_open', count: count($open));
            }
            $definition = $run->version->parsed();
            $kept = 0;
            $ofRun = $this->breaksByReader($run, $definition);
            foreach ($run->tubes->sortBy('number') as $tube) {
                $kept += $this->keep($run, $tube, $replay->tubes[$tube->number], $definition, $author, $ofRun);
            }
            if ($kept === 0) {
                throw Conflict::because('nothing_read');
            }
            $started = array_sum(
                array_map(
                    static fn (BenchTube $tube): int => $tube->isStarted() ? $tube->attempts() : $tube->attempts() - 1,
                    $replay->tubes,
                ),
            );
            $run->update([
                'state' => 'finished',
                'finished_at' => now(),
                'note' => trim("{$run->note} {$note}"),
                'elapsed_s' => ($replay->lastMs - $replay->firstMs) / 1000,
                'attention_s' => $replay->attentionS,
                'cost_cents' => (int) round($started * $this->centsEach($run, $definition)),
            ]);

            return $run;
        });
    }

    /** What one test cost: the lots that were used as far as their price is known, else what the method says. */
    private function centsEach(Run $run, MethodDefinition $definition): float
    {
        $cents = null;
        foreach ($run->lots as ['reagent' => $reagent, 'lot' => $name]) {
            $lot = ReagentLot::query()
                ->where('method_id', $run->method_id)
                ->where('reagent', $reagent)
                ->where('lot', $name)
                ->first();
            if ($lot?->price_cents !== null && $lot->tests !== null) {
                $cents += $lot->price_cents / $lot->tests;
            }
        }

        return $cents ?? (float) $definition->costCents;
    }

    /**
     * @param array<string, list<ObservedBreak>> $ofRun by reader
     * @return int readings kept of the tube
     */
    private function keep(
        Run $run,
        RunTube $tube,
        BenchTube $state,
        MethodDefinition $definition,
        User $author,
        array $ofRun,
    ): int {
        $kept = 0;
        foreach ($run->readers as $reader) {
            $reads = array_values(
                array_filter($state->reads(), static fn (array $read): bool => $read['reader'] === $reader),
            );
            if (! $state->isDone() || $reads === []) {
                continue;
            }
            $mark = $run->marks
                ->where('tube', $tube->number)
                ->where('kind', 'read')
                ->where('data.reader', $reader)
                ->sortBy('id')
                ->last();
            $breaks = [
                ...array_filter(
                    $ofRun[$reader],
                    static fn (ObservedBreak $break): bool => $break->code !== 'colour-vision' || ! self::isByPhoto($mark),
                ),
                ...$state->breaks(),
            ];
            if (
                $definition->readings > 1 &&
                $run->tubes->where('portion_id', $tube->portion_id)->count() < $definition->readings
            ) {
                $breaks[] = new ObservedBreak('one-reading', "The method asks for {$definition->readings} readings of a portion.");
            }
            $at = Carbon::createFromTimestampMsUTC($reads[count($reads) - 1]['at_ms']);
            $run->readings()->create([
                'sample_id' => $tube->portion->sample_id,
                'portion_id' => $tube->portion_id,
                'method_id' => $run->method_id,
                'method_version_id' => $run->method_version_id,
                'created_by' => $author->id,
                ...$this->value($definition, array_column($reads, 'reading', 'step')),
                'read_on' => $at->copy()
                    ->setTimezone($tube->portion->sample->site->timezone ?? 'UTC')
                    ->format('Y-m-d'),
                'reader' => $reader,
                'flags' => array_values(array_unique(array_column($breaks, 'code'))),
                'note' => (string) ($mark?->data['note'] ?? ''),
                'lot' => implode(', ', array_column($run->lots, 'lot')),
                'detail' => [
                    'tube' => $tube->number,
                    'seen' => ($this->known)($tube->portion->sample_id ?? 0, $run->method, $author, $reader, $at),
                    'attempts' => $state->attempts(),
                    'breaks' => array_column($breaks, 'words'),
                    'times' => $state->times(),
                    'said' => $run->said,
                    'celsius' => $run->celsius,
                    ...$this->more($definition, array_column($reads, 'reading', 'step')),
                    ...isset($mark?->data['match']) ? ['match' => $mark->data['match']] : [],
                ],
            ]);
            $kept++;
        }

        return $kept;
    }

    /**
     * @return array<string, list<ObservedBreak>> those of the run, of readers only what concerns
     *                                            each
     */
    private function breaksByReader(Run $run, MethodDefinition $definition): array
    {
        $ofRun = array_values(
            array_filter(
                $this->breaks->ofRun($run, $definition),
                static fn (ObservedBreak $break): bool => $break->code !== 'colour-vision',
            ),
        );
        $by = [];
        foreach ($run->readers as $reader) {
            $by[$reader] = [
                ...$ofRun,
                ...$definition->colour
                    ? $this->breaks->ofReader($reader, Carbon::createFromTimestampMsUTC($run->started_ms))
                    : [],
            ];
        }

        return $by;
    }

    /** Was the band taken that the photo clearly gave? Then no eye judged the colour. */
    private static function isByPhoto(?RunMark $mark): bool
    {
        $match = $mark->data['match'] ?? null;

        return is_array($match) &&
            ($match['safety'] ?? '') === 'clear' &&
            ($mark->data['typed'] ?? '') === ($match['nearest'] ?? null) &&
            ($mark->data['between'] ?? null) === null;
    }

    /**
     * @param array<string, BenchReading> $reads by step
     * @return array{value: float|null, band: string|null, between: string|null, as_reported: string}
     */
    private function value(MethodDefinition $definition, array $reads): array
    {
        $reading = array_values($reads)[0];

        return $definition->scale->kind === ScaleKind::Heights
            ? [
                'value' => null,
                'band' => null,
                'between' => null,
                'as_reported' => $this->jar($definition, $reads)->texture->className(),
            ]
            : [
                'value' => $reading->number,
                'band' => $reading->band,
                'between' => $reading->between,
                'as_reported' => $reading->words(),
            ];
    }

    /**
     * @param array<string, BenchReading> $reads by step
     * @return array<string, mixed>
     */
    private function more(MethodDefinition $definition, array $reads): array
    {
        if ($definition->scale->kind === ScaleKind::Heights) {
            $jar = $this->jar($definition, $reads);

            return [
                'heights_mm' => array_map(
                    static fn (BenchReading $read): float => (float) $read->number,
                    array_values($reads),
                ),
                'texture' => $jar->texture->toArray(),
                'ranges' => $jar->ranges,
                'classes' => $jar->classes(),
            ];
        }
        $drops = array_values($reads)[0]->drops;

        return $drops === null ? [] : ['drops' => $drops];
    }

    /** @param array<string, BenchReading> $reads by step */
    private function jar(MethodDefinition $definition, array $reads): JarTexture
    {
        [$sand, $silt, $all] = array_map(
            static fn (BenchReading $read): float => (float) $read->number,
            array_values($reads),
        );

        return JarTexture::ofHeights($sand, $silt, $all, (float) $definition->scale->readingErrorMm);
    }
}
