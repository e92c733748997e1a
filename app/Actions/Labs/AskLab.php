<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Actions\Custody\WriteLines;
use App\Database\AllOrNothing;
use App\Database\Values;
use App\Exceptions\Conflict;
use App\Models\ConsignedPortion;
use App\Models\Consignment;
use App\Models\DeliveredReport;
use App\Models\Portion;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/**
 * Asks a lab's interface where a consignment is, and lets the trails of its portions follow. Reports are kept as they come.
 */
final class AskLab
{
    /** what the lab says => the steps that lead there */
    private const STEPS = [
        'received' => ['arrived'],
        'measuring' => ['arrived', 'measured'],
        'reported' => ['arrived', 'measured', 'reported'],
        'lost' => ['lost'],
    ];

    private const DONE = [
        'arrived' => ['arrived', 'measured', 'reported'],
        'measured' => ['measured', 'reported'],
        'reported' => ['reported'],
        'lost' => ['lost'],
    ];

    public function __construct(private readonly LabInterface $lab,
        private readonly LabSimulator $simulator,
        private readonly WriteLines $write,
    ) {}

    public function __invoke(User $author, Consignment $consignment): void
    {
        $consignment->loadMissing('lab');
        if ($consignment->reference === '') {
            throw Conflict::because('sent_without_interface');
        }
        $answer = $this->lab->ask($consignment->reference);
        $known = Values::texts($consignment->reports()->pluck('name'));
        $reports = [];
        foreach (array_diff($answer->reports, $known) as $name) {
            $reports[mb_substr($name, 0, 120)] = $this->lab->report($consignment->reference, $name);
        }
        AllOrNothing::of(function () use ($author, $consignment, $answer, $reports): void {
            foreach (self::STEPS[$answer->state] ?? [] as $step) {
                $portions = $consignment
                    ->load('contents.portion')
                    ->contents->map(static fn (ConsignedPortion $one): Portion => $one->portion)
                    ->filter(static fn (Portion $portion): bool => ! in_array($portion->state, self::DONE[$step], true));
                ($this->write)($author, new Collection($portions->values()->all()), [
                    'submission' => "{$step}-{$consignment->submission}",
                    'step' => $step,
                    'at' => Carbon::now(),
                    'place' => $step === 'lost' ? '' : $consignment->lab->name,
                    'condition' => ($this->simulator->isThere() ? 'simulated: ' : '').$answer->word,
                    'celsius' => null,
                ]);
            }
            foreach ($reports as $name => $content) {
                DeliveredReport::query()->createOrFirst(
                    ['consignment_id' => $consignment->id, 'sha256' => hash('sha256', $content)],
                    ['name' => $name, 'content' => $content],
                );
            }
            $consignment->refresh()->update(['word' => $answer->word]);
        });
    }
}
