<?php

declare(strict_types=1);

namespace HonestCore\Custody;

use HonestCore\Error\ImpossibleStep;

/**
 * The trail of a portion: its state follows from its lines and from nothing else.
 *
 * Rule: lines that a correction replaces or withdraws do not count, the correction does; what is left, in the order
 *   of its times, must be possible step by step. Nothing lies in the future, nothing before the portion was there.
 * Source: data/custody-steps.json.
 */
final readonly class CustodyTrail
{
    /**
     * @param list<TrailLine> $lines that count, in the order of their times
     * @param non-empty-list<string> $states after each of them
     * @param list<string> $damage what cannot have been, as it stands; empty for a trail that holds
     */
    private function __construct(public array $lines, public array $states, public array $damage = []) {}

    /**
     * @param list<TrailLine> $written in the order in which they were written
     *
     * @throws ImpossibleStep
     */
    public static function replay(string $code, array $written, int $now): self
    {
        $found = self::asFound($code, $written, $now);

        return $found->damage === [] ? $found : throw new ImpossibleStep('trail_damaged', [
            'damage' => $found->damage[0],
        ]);
    }

    /**
     * A trail as it is stored, for looking at: what cannot have been is said and does not hide the rest.
     *
     * @param list<TrailLine> $written in the order in which they were written
     */
    public static function asFound(string $code, array $written, int $now): self
    {
        $states = $history = $lines = $damage = [];
        foreach (self::standing($code, $written) as $line) {
            $state = $states[count($states) - 1] ?? null;
            try {
                $step = CustodyStep::of($line->step);
                $wrong = self::wrong($code, $line, $step, $state, $lines[count($lines) - 1] ?? null, $now);
            } catch (ImpossibleStep $unknown) {
                $damage[] = "{$code}: {$unknown->getMessage()}";

                continue;
            }
            if ($wrong !== null) {
                $damage[] = $wrong;
            }
            $to = $step->leadsTo($history);
            if ($to !== $state) {
                $history[] = $to;
            }
            $states[] = $to;
            $lines[] = $line;
        }
        if ($states === []) {
            $damage[] = "{$code}: a trail begins when the portion is split off; that line cannot be withdrawn.";
            $states = [CustodyStep::BEGINNING];
        }

        return new self($lines, $states, $damage);
    }

    /** Why a line cannot have happened; null where it can. */
    private static function wrong(
        string $code,
        TrailLine $line,
        CustodyStep $step,
        ?string $state,
        ?TrailLine $before,
        int $now,
    ): ?string {
        if ($line->at > $now + CustodyStep::futureS()) {
            return "{$code}: {$step->name} lies in the future, ".
                self::said($line->at).
                '; accepted is a time up to now, '.
                self::said($now).
                '.';
        }

        return $step->mayFollow($state) ? null : self::why($code, $step, $state, $before);
    }

    /**
     * Adds a line to a trail.
     *
     * @param list<TrailLine> $written
     *
     * @throws ImpossibleStep
     */
    public static function with(string $code, array $written, TrailLine $next, int $now): self
    {
        $corrects = $next->correctsId;
        if ($corrects !== null && ! in_array($corrects, array_column($written, 'id'), true)) {
            throw new ImpossibleStep('corrected_line_not_there', ['code' => $code]);
        }
        if ($corrects !== null && in_array($corrects, array_column($written, 'correctsId'), true)) {
            throw new ImpossibleStep('corrected_already', ['code' => $code]);
        }
        $last = $written === [] ? null : self::replay($code, $written, $now)->last();
        if ($corrects === null && $last !== null && $next->at < $last->at) {
            throw new ImpossibleStep('before_the_last_line', [
                'code' => $code,
                'step' => CustodyStep::of($next->step)->name,
                'at' => self::said($next->at),
                'last' => CustodyStep::of($last->step)->name,
                'last_at' => self::said($last->at),
            ]);
        }

        return self::replay($code, [...$written, $next], $now);
    }

    public function state(): string
    {
        return $this->states[count($this->states) - 1];
    }

    public function last(): TrailLine
    {
        return $this->lines[count($this->lines) - 1];
    }

    /** The last place that was said. */
    public function place(): string
    {
        foreach (array_reverse($this->lines) as $line) {
            if ($line->place !== '') {
                return $line->place;
            }
        }

        return '';
    }

    /** @return list<CustodyStep> that may come next */
    public function next(): array
    {
        return array_values(
            array_filter(CustodyStep::all(), fn (CustodyStep $step): bool => $step->mayFollow($this->state())),
        );
    }

    /** When a step was taken last; null when it was not. */
    public function timeOf(string $step): ?int
    {
        foreach (array_reverse($this->lines) as $line) {
            if ($line->step === $step) {
                return $line->at;
            }
        }

        return null;
    }

    /**
     * @param list<TrailLine> $written
     * @return list<TrailLine>
     */
    private static function standing(string $code, array $written): array
    {
        $corrections = [];
        foreach ($written as $line) {
            if ($line->correctsId !== null) {
                $corrections[$line->correctsId] = $line;
            }
        }
        $standing = [];
        foreach ($written as $order => $line) {
            if ($line->correctsId !== null) {
                continue;
            }
            for ($word = $line; isset($corrections[$word->id]); $word = $corrections[$word->id]);
            if ($word->step !== CustodyStep::WITHDRAWN) {
                $standing[] = [$word->at, $order, $word];
            }
        }
        usort($standing, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);

        return array_column($standing, 2);
    }

    private static function why(string $code, CustodyStep $step, ?string $state, ?TrailLine $before): string
    {
        if ($state === null || $before === null) {
            return "{$code}: the trail would begin with \"{$step->name}\"; it begins when the portion is split off.";
        }
        $may = implode(
            ', ',
            array_map(
                static fn (CustodyStep $one): string => $one->name,
                array_filter(CustodyStep::all(), static fn (CustodyStep $one): bool => $one->mayFollow($state)),
            ),
        );
        $again = $before->step === $step->code ? ' Scanned twice?' : '';

        return "{$code} is ".
            CustodyStep::stateName($state).
            ' since '.
            self::said($before->at).
            ", so it cannot be {$step->name}.{$again} ".
            ($may === '' ? 'Nothing follows any more.' : "Accepted next: {$may}.");
    }

    private static function said(int $at): string
    {
        return gmdate('j M Y H:i', $at).' UTC';
    }
}
