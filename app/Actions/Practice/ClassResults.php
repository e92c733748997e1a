<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Models\PracticeClass;
use App\Models\PracticeField;
use App\Models\SignedVerdict;
use App\Models\User;
use HonestCore\Quantity\DepthLayer;

/**
 * Results of a class side by side: of those who have signed, for those who have signed and for who leads it. Nobody's name but where
 * they show it, and one's own.
 */
final class ClassResults
{
    public function __construct(private readonly SeasonOnGround $season) {}

    /** @return list<array<string, mixed>> in the order in which they joined */
    public function __invoke(PracticeClass $class, User $user): array
    {
        $fields = PracticeField::withSigned()->where('class_id', $class->id)->with('user', 'home')->orderBy('id')->get();
        $own = $fields->firstWhere('home_id', $user->id);
        $sees = $class->created_by === $user->id || ($own !== null && $own->isSigned());
        $lines = [];
        foreach ($fields->values() as $i => $field) {
            $isOwn = $field->home_id === $user->id;
            $lines[] = [
                'place' => $i + 1,
                'name' => $field->named || $isOwn ? $field->home->name : null,
                'own' => $isOwn,
                'signed' => $field->isSigned(),
                'season' => $sees && $field->isSigned() ? $this->line($field) : null,
            ];
        }

        return $lines;
    }

    /** @return array<string, mixed> */
    private function line(PracticeField $field): array
    {
        return AsTwin::of($field, function () use ($field): array {
            $season = ($this->season)($field);
            $off = array_map(
                static fn (AreaOnGround $area): float => abs(($area->believed ?? NAN) - ($area->true ?? NAN)),
                array_filter($season->areas, static fn (AreaOnGround $area): bool => $area->believed !== null && $area->true !== null),
            );

            return [
                'composites' => count($season->composites),
                'cores' => array_sum(array_column($season->composites, 'cores')),
                'layers' => array_values(array_unique(array_map(
                    static fn (CompositeOnGround $one): string => DepthLayer::parse($one->depth)->notation(),
                    $season->composites,
                ))),
                'off_ph' => $off === [] ? null : max($off),
                'fees' => $season->cost->labMoney,
                'hours' => $season->cost->hours,
                'misplaced_tons' => $season->cost->misplacedTons,
                'total' => $season->cost->totalMoney,
                'verdicts' => SignedVerdict::standing()->orderBy('id')->get()
                    ->map(static fn (SignedVerdict $one): array => ['claim' => $one->claim, 'verdict' => $one->verdict])
                    ->values()->all(),
            ];
        });
    }
}
