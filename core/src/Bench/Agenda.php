<?php

declare(strict_types=1);

namespace HonestCore\Bench;

/**
 * What to do next at the bench and when, most pressing first.
 *
 * Quantity and unit: milliseconds since 1970.
 */
final class Agenda
{
    /**
     * What is to be done, act being begin, end, do or read: from and until bound what is in time, aim is when to do it.
     *
     * @param non-empty-list<MethodStep> $steps
     * @return list<array{tube: int, act: string, step: string, from_ms: int, aim_ms: int, until_ms: int|null}>
     */
    public static function of(array $steps, BenchRun $run, int $nowMs): array
    {
        $hands = new Stagger($steps);
        $tasks = [];
        foreach (self::underWay($run) as $tube) {
            $step = $tube->step();
            $window = $tube->window();
            $since = $tube->sinceMs() ?? $nowMs;
            if ($step === null) {
                continue;
            }
            $going = $tube->status() === 'going';
            $tasks[] = [
                'tube' => $tube->number,
                'act' => self::act($step, $going),
                'step' => $step->code,
                'from_ms' => $window['from'] ?? $since,
                'aim_ms' => $window['aim'] ?? $since,
                'until_ms' => $window['until'] ?? null,
            ];
            $hands->reserve($tube->place(), $going ? $since : $window['aim'] ?? $since, $going ? 0 : $nowMs);
        }
        $from = $nowMs;
        foreach ($run->tubes as $tube) {
            if ($tube->status() === 'new') {
                $from = $hands->start($from);
                $tasks[] = [
                    'tube' => $tube->number,
                    'act' => self::act($steps[0], false),
                    'step' => $steps[0]->code,
                    'from_ms' => $from,
                    'aim_ms' => $from,
                    'until_ms' => null,
                ];
            }
        }
        usort($tasks, static fn (array $a, array $b): int => [$a['aim_ms'], $a['tube']] <=> [$b['aim_ms'], $b['tube']]);

        return $tasks;
    }

    private static function act(MethodStep $step, bool $going): string
    {
        return match ($step->kind) {
            StepKind::Timed => $going ? 'end' : 'begin',
            StepKind::Read => 'read',
            default => 'do',
        };
    }

    /** @return list<BenchTube> the soonest due first */
    private static function underWay(BenchRun $run): array
    {
        $tubes = array_values(
            array_filter($run->tubes, static fn (BenchTube $tube): bool => $tube->isOpen() && $tube->isStarted()),
        );
        usort(
            $tubes,
            static fn (BenchTube $a, BenchTube $b): int => ($a->window()['aim'] ?? $a->sinceMs()) <=>
                ($b->window()['aim'] ?? $b->sinceMs()),
        );

        return $tubes;
    }
}
