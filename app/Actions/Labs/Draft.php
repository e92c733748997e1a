<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Models\Lab;
use App\Models\Portion;
use HonestCore\Labs\ConsignmentCheck;
use HonestCore\Labs\ConsignmentPortion;
use HonestCore\Labs\LabTest;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/**
 * A consignment as it would be: what it costs, when a report is to be expected, and what is to be mended first. Nothing is
 * stored.
 */
final class Draft
{
    /**
     * @param list<array{portion: Portion, tests: list<string>}> $contents
     * @param array<string, string> $answers of the form, by label
     * @return array{form: list<array{label: string, required: bool, value: string}>, warnings: list<array{
     *     code: string, portion: string|null, text: string}>, fee_cents: int, expected_on: string,
     *     contents: list<array{portion: Portion, tests: list<array{code: string, name: string, fee_cents: int}>,
     *     needs_ml: int}>}
     */
    public function __invoke(Lab $lab, array $contents, array $answers, Carbon $sendAt): array
    {
        (new Collection(array_column($contents, 'portion')))->loadMissing(['sample.area', 'lines']);
        $form = array_map(
            static fn (array $field): array => [
                'label' => $field['label'],
                'required' => $field['required'],
                'value' => trim($answers[$field['label']] ?? ''),
            ],
            $lab->form,
        );
        $consignment = array_map(
            fn (array $one): ConsignmentPortion => $this->portion($lab, $one['portion'], $one['tests']),
            $contents,
        );

        return [
            'form' => $form,
            'warnings' => ConsignmentCheck::warnings(
                $consignment,
                $form,
                $lab->quarantine,
                $sendAt->copy()->addDays($lab->transit_days)->getTimestamp(),
            ),
            'fee_cents' => array_sum(array_map(static fn (ConsignmentPortion $one): int => $one->feeCents(), $consignment)),
            'expected_on' => self::expectedOn($lab, $sendAt),
            'contents' => array_map(
                static fn (array $one, ConsignmentPortion $read): array => [
                    'portion' => $one['portion'],
                    'needs_ml' => $read->needsMl(),
                    'tests' => array_map(
                        static fn (LabTest $test): array => [
                            'code' => $test->code,
                            'name' => $test->name,
                            'fee_cents' => $test->feeCents,
                        ],
                        $read->tests,
                    ),
                ],
                $contents,
                $consignment,
            ),
        ];
    }

    /** The days on the way, then the lab's working days. */
    public static function expectedOn(Lab $lab, Carbon $sendAt): string
    {
        return $lab
            ->workingDays()
            ->after($sendAt->copy()->addDays($lab->transit_days)->toDateTimeImmutable(), $lab->turnaround_days)
            ->format('Y-m-d');
    }

    /** @param list<string> $tests */
    private function portion(Lab $lab, Portion $portion, array $tests): ConsignmentPortion
    {
        $asked = clone $portion;
        $asked->tests = $tests;
        $clock = $asked->clock($portion->trail());

        return new ConsignmentPortion(
            $portion->code,
            $portion->state,
            $portion->depth(),
            $portion->volume_ml,
            $lab->offered($tests),
            $clock->deadline,
            $clock->over,
        );
    }
}
