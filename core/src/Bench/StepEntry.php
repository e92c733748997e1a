<?php

declare(strict_types=1);

namespace HonestCore\Bench;

use HonestCore\Error\BadDefinition;

/** Reads the steps of a definition. */
final class StepEntry
{
    /**
     * @return non-empty-list<MethodStep>
     *
     * @throws BadDefinition
     */
    public static function all(Entry $definition, MethodScale $scale): array
    {
        $steps = array_map(self::one(...), $definition->entries('steps', 1, 30));
        if ($steps === []) {
            throw new BadDefinition('no_steps');
        }
        $last = count($steps) - 1;
        foreach ($steps as $i => $step) {
            $place = 'steps '.($i + 1);
            if (
                $step->kind === StepKind::Wait &&
                ($i === 0 || $i === $last || $steps[$i - 1]->kind === StepKind::Wait)
            ) {
                throw new BadDefinition('wait_without_begin_or_end', ['place' => $place]);
            }
        }
        if ($steps[$last]->kind !== StepKind::Read) {
            throw new BadDefinition('last_step_reads_nothing', ['last' => $last + 1]);
        }
        $codes = array_map(static fn (MethodStep $step): string => $step->code, $steps);
        if (count(array_unique($codes)) < count($codes)) {
            throw new BadDefinition('steps_code_stands_twice');
        }
        $reads = array_values(array_filter(array_map(static fn (MethodStep $step): ?string => $step->reads, $steps)));
        $heights = $scale->kind === ScaleKind::Heights;
        if ($reads !== ($heights ? ['sand', 'silt', 'all'] : ['reading'])) {
            throw new BadDefinition(
                $heights ? 'steps_do_not_read_the_heights' : 'steps_do_not_read_once',
                ['read' => implode(', ', $reads)],
            );
        }

        return $steps;
    }

    /** @throws BadDefinition */
    private static function one(Entry $entry): MethodStep
    {
        $kind = StepKind::from((string) $entry->oneOf('kind', array_column(StepKind::cases(), 'value')));
        $stokes = $kind === StepKind::Wait && $entry->has('stokes_um') ? $entry->number('stokes_um', 0.01, 2000) : null;
        [$least, $aim, $most] =
            $kind->hasWindow() && $stokes === null
                ? array_map(static fn (string $field): int => $entry->whole($field, 0, MethodDefinition::longestS()), [
                    'least_s',
                    'aim_s',
                    'most_s',
                ])
                : [null, null, null];
        if ($least !== null && ($least > $aim || $aim > $most)) {
            throw new BadDefinition('aim_outside_shortest_and_longest', [
                'place' => $entry->place,
                'aim' => $aim,
                'least' => $least,
                'most' => $most,
            ]);
        }
        $step = new MethodStep(
            $entry->code('code'),
            $kind,
            $entry->words('do', 1, 200),
            $entry->has('amount') ? $entry->words('amount', 1, 200) : '',
            $kind->hasWindow() ? 0 : $entry->whole('hands_s', 0, MethodDefinition::longestS()),
            $least,
            $aim,
            $most,
            $kind->hasWindow() ? $entry->breakCode('short') : null,
            $kind->hasWindow() ? $entry->breakCode('long') : null,
            $kind === StepKind::Read ? $entry->code('reads') : null,
            $stokes,
        );
        $entry->done();

        return $step;
    }
}
