<?php

declare(strict_types=1);

namespace App\Actions\Verdicts;

use App\Database\Values;
use App\Models\Sample;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use App\Record\Seal;

/**
 * Whether a signed verdict still speaks: it ends with the lab's method and by a newer verdict, and speaks for the lots and
 * seasons that it was asked for.
 */
final class VerdictStatus
{
    /** @var array<int, int> newest year with a composite, by team */
    private array $newest = [];

    /** @var array<int, array<int, true>> verdicts that are not as they were signed, by team */
    private array $damaged = [];

    /** @var array<string, int> the lab method that an analyte is judged by now */
    private array $references = [];

    public function shown(SignedVerdict $verdict): ShownVerdict
    {
        $verdict->loadMissing(SignedVerdict::SHOWN_WITH);

        return new ShownVerdict($verdict, $this->ended($verdict), $this->silentOn($verdict));
    }

    /**
     * @param iterable<SignedVerdict> $verdicts
     * @return list<ShownVerdict>
     */
    public function all(iterable $verdicts): array
    {
        $shown = [];
        foreach ($verdicts as $verdict) {
            $shown[] = $this->shown($verdict);
        }

        return $shown;
    }

    /** @return list<string> why it has ended; empty while it speaks */
    public function ended(SignedVerdict $verdict): array
    {
        $why = isset($this->damaged($verdict->team_id)[$verdict->id])
            ? ['it is not as it was signed: its row, or its link in the record, was changed']
            : [];
        if ($verdict->follower !== null) {
            $why[] = 'a newer verdict follows it';
        }
        $asked = isset($verdict->scope['lots'], $verdict->scope['seasons']);
        if (! $asked && $verdict->method->lot !== $verdict->scope['lot']) {
            $why[] =
                'another lot is in use: '.
                ($verdict->method->lot === '' ? 'none is named' : $verdict->method->lot).
                ' instead of '.
                ($verdict->scope['lot'] === '' ? 'none' : $verdict->scope['lot']);
        }
        $newest = $this->newest($verdict);
        if (! $asked && $verdict->season !== null && $newest > $verdict->season) {
            $why[] = "a new season has begun: it rests on composites up to {$verdict->season}, and there are some ".
                "of {$newest}";
        }
        if (
            $verdict->method->workplace === 'bench' &&
            $this->reference($verdict->method->analyte) !== $verdict->reference_id
        ) {
            $why[] = 'another lab method is the reference now';
        }

        return $why;
    }

    /** What of that which is in use now a verdict was not asked for; empty where it speaks for it. */
    public function silentOn(SignedVerdict $verdict): string
    {
        return $verdict->silentOn($verdict->method->lot, $this->newest($verdict));
    }

    private function newest(SignedVerdict $verdict): int
    {
        return $this->newest[$verdict->team_id] ??= Values::whole(Sample::query()->max('year'));
    }

    /** @return array<int, true> of the standing ones, by id */
    private function damaged(int $team): array
    {
        return $this->damaged[$team] ??= array_fill_keys(
            Seal::damaged('verdicts', Values::wholes(SignedVerdict::standing()->pluck('id'))),
            true,
        );
    }

    private function reference(string $analyte): int
    {
        return $this->references[$analyte] ??= Values::whole(TestMethod::labsFor($analyte)->value('id'));
    }
}
