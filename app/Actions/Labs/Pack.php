<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Actions\Custody\WriteLines;
use App\Database\AllOrNothing;
use App\Database\Values;
use App\Models\Consignment;
use App\Models\Lab;
use App\Models\Portion;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/** Packs portions into a consignment: the consignment is made, and every portion's trail says so, or nothing happens. */
final class Pack
{
    public function __construct(private readonly Draft $draft, private readonly WriteLines $write) {}

    /**
     * @param list<array{portion: Portion, tests: list<string>}> $contents
     * @param array<string, string> $answers
     */
    public function __invoke(User $author, Lab $lab, array $contents, array $answers, string $submission): Consignment
    {
        return AllOrNothing::of(function () use ($author, $lab, $contents, $answers, $submission): Consignment {
            $known = Consignment::query()->where('submission', $submission)->first();
            if ($known !== null) {
                return $known;
            }
            $draft = ($this->draft)($lab, $contents, $answers, Carbon::now());
            $number = Values::whole(Consignment::query()->max('number')) + 1;
            $consignment = Consignment::query()->create([
                'lab_id' => $lab->id,
                'created_by' => $author->id,
                'number' => $number,
                'submission' => $submission,
                'state' => 'packed',
                'form' => $draft['form'],
                'warnings' => $draft['warnings'],
                'fee_cents' => $draft['fee_cents'],
            ]);
            foreach ($draft['contents'] as ['portion' => $portion, 'tests' => $tests]) {
                $portion->update(['tests' => array_column($tests, 'code')]);
                $consignment->contents()->create(['portion_id' => $portion->id, 'tests' => $tests]);
            }
            ($this->write)($author, new Collection(array_column($contents, 'portion')), [
                'submission' => $submission,
                'step' => 'packed',
                'at' => Carbon::now(),
                'place' => "Consignment {$number}, for {$lab->name}",
                'condition' => '',
                'celsius' => null,
            ]);

            return $consignment;
        });
    }
}
