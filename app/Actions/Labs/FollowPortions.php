<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Actions\Custody\FollowsTrails;
use App\Database\Values;
use App\Models\ConsignedPortion;
use App\Models\Consignment;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** A consignment is where the least of its portions is; one that was taken out is in it no more. */
final class FollowPortions implements FollowsTrails
{
    private const ORDER = ['packed' => 0, 'sent' => 1, 'arrived' => 2, 'measured' => 2, 'reported' => 3];

    public function follow(Collection $portions): void
    {
        $open = Consignment::query()
            ->whereNot('state', 'reported')
            ->whereHas(
                'contents',
                static fn (Builder $contents) => $contents->whereIn('portion_id', $portions->modelKeys()),
            )
            ->with('contents.portion')
            ->get();
        foreach ($open as $consignment) {
            if ($consignment->state === 'packed') {
                $out = $consignment->contents->filter(
                    static fn (ConsignedPortion $one): bool => ! isset(self::ORDER[$one->portion->state]),
                );
                ConsignedPortion::query()->whereKey($out->modelKeys())->delete();
                $consignment->load('contents.portion');
            }
            $states = $consignment->contents->map(
                static fn (ConsignedPortion $one): ?int => self::ORDER[$one->portion->state] ?? null,
            );
            $known = $states->filter(static fn (?int $state): bool => $state !== null);
            $consignment->update([
                'state' => $known->isEmpty() &&
                    $states->isNotEmpty() &&
                    $consignment->contents->every(
                        static fn (ConsignedPortion $one): bool => $one->portion->state === 'lost',
                    )
                        ? 'lost'
                        : ['packed', 'sent', 'arrived', 'reported'][Values::whole($known->min() ?? 3)] ?? 'reported',
            ]);
        }
    }
}
