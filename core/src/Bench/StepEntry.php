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
            throw BadDefinition::at('steps', 'there is none', 'at least a step that reads');
        }
        $last = count($steps) - 1;
        foreach ($steps as $i => $step) {
            $place = 'steps '.($i + 1);
            if (
                $step->kind === StepKind::Wait &&
                ($i === 0 || $i === $last || $steps[$i - 1]->kind === StepKind::Wait)
            ) {
                throw BadDefinition::at(
                    $place,
                    'nothing begins or ends this wait',
                    'waits between two steps that are done by hand',
                );
            }
        }
        if ($steps[$last]->kind !== StepKind::Read) {
            throw BadDefinition::at(
                'steps '.($last + 1),
                'the last step reads nothing',
                'a reading as the last step',
            );
        }
        $codes = array_map(static fn (MethodStep $step): string => $step->code, $steps);
        if (count(array_unique($codes)) < count($codes)) {
            throw BadDefinition::at('steps', 'a code stands twice', 'codes that differ');
        }
        $reads = array_values(array_filter(array_map(static fn (MethodStep $step): ?string => $step->reads, $steps)));
        if ($reads !== ($scale->kind === ScaleKind::Heights ? ['sand', 'silt', 'all'] : ['reading'])) {
            throw BadDefinition::at(
                'steps',
                'they read '.implode(', ', $reads),
                $scale->kind === ScaleKind::Heights
                    ? 'the heights sand, silt and all, in this order'
                    : 'one step that reads the reading',
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
            throw BadDefinition::at(
                "{$entry->place}aim_s",
                "{$aim} does not lie between {$least} and {$most}",
                'a time between the shortest and the longest',
            );
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
