<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Actions\Custody\WriteLines;
use App\Database\AllOrNothing;
use App\Database\Values;
use App\Exceptions\Conflict;
use App\Models\ConsignedPortion;
use App\Models\Consignment;
use App\Models\Portion;
use App\Models\User;
use HonestCore\Custody\CustodyStep;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/** Hands a packed consignment to its carrier; a lab with an interface is told of it first. */
final class Send
{
    public function __construct(
        private readonly WriteLines $write,
        private readonly LabInterface $lab,
        private readonly LabSimulator $simulator,
        private readonly SoilsOfConsignment $soils,
    ) {}

    public function __invoke(User $author, Consignment $consignment, string $carrier, Carbon $at): void
    {
        $consignment->load('lab', 'contents.portion.sample', 'contents.portion.checkSoil');
        if ($consignment->state !== 'packed' || $consignment->contents->isEmpty()) {
            throw $consignment->contents->isEmpty()
                ? Conflict::because('consignment_empty')
                : Conflict::because('consignment_gone', number: $consignment->number, state: $consignment->state);
        }
        $this->refuseTime($consignment, $at);
        $reference = $consignment->lab->service && $this->lab->isThere() ? $this->announce($consignment) : '';
        AllOrNothing::of(function () use ($author, $consignment, $carrier, $at, $reference): void {
            ($this->write)(
                $author,
                new Collection(
                    $consignment->contents->map(static fn (ConsignedPortion $one): Portion => $one->portion)->all(),
                ),
                [
                    'submission' => "send-{$consignment->submission}",
                    'step' => 'sent',
                    'at' => $at,
                    'place' => $carrier === '' ? 'on the way' : $carrier,
                    'condition' => '',
                    'celsius' => null,
                ],
            );
            $consignment
                ->refresh()
                ->update([
                    'carrier' => $carrier,
                    'reference' => $reference,
                    'sent_at' => $at,
                    'expected_on' => Draft::expectedOn($consignment->lab, $at),
                    'word' => $reference === '' ? '' : 'announced',
                ]);
        });
    }

    /** Before anybody is told: the hand-over lies neither in the future nor before the packing. */
    private function refuseTime(Consignment $consignment, Carbon $at): void
    {
        $packed = Values::whole($consignment->contents->max(
            static fn (ConsignedPortion $one): int => $one->portion->state_at?->getTimestamp() ?? 0,
        ));
        if (
            $at->getTimestamp() > now()->getTimestamp() + CustodyStep::futureS() ||
            $at->getTimestamp() < $packed
        ) {
            throw Conflict::because('handed_over_too_early', packed: gmdate('j M Y H:i', $packed));
        }
    }

    private function announce(Consignment $consignment): string
    {
        $reference = "{$consignment->team_id}-{$consignment->submission}";
        if ($this->simulator->isThere()) {
            $this->simulator->fill($reference, ($this->soils)($consignment));
        }

        return $this->lab->announce(
            $reference,
            $consignment->lab->transit_days,
            $consignment->lab->turnaround_days,
            array_values(
                $consignment->contents
                    ->map(
                        static fn (ConsignedPortion $one): array => [
                            'code' => $one->portion->code,
                            'tests' => array_column($one->tests, 'code'),
                        ],
                    )
                    ->all(),
            ),
        );
    }
}
