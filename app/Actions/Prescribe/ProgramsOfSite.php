<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Database\Values;
use App\Models\Area;
use App\Models\ProgramDraft;
use App\Models\SignedProgram;
use App\Models\Site;
use HonestCore\Program\MeasuredAmount;
use HonestCore\Program\ShoppingList;

/** The programs of all areas of a site: where each stands, and what they need together. */
final class ProgramsOfSite
{
    public function __construct(private readonly ComposeProgram $compose, private readonly Shelf $shelf) {}

    /** @return list<ProgramOfArea> by the name of the area */
    public function __invoke(Site $site): array
    {
        $signed = SignedProgram::ofSite($site->id)->groupBy('area_id');
        $drafted = array_flip(
            Values::wholes(
                ProgramDraft::query()
                    ->whereIn('area_id', Area::query()->where('site_id', $site->id)->select('id'))
                    ->pluck('area_id'),
            ),
        );
        $found = [];
        foreach ($this->compose->areasOf($site) as $area) {
            $own = $signed->get($area->id);
            $found[] = new ProgramOfArea(
                $area,
                $own === null ? null : $own->sortByDesc('id')->first(),
                isset($drafted[$area->id]),
                $own === null ? ($this->compose)($area, $this->compose->chosen($area)) : null,
            );
        }

        return $found;
    }

    /**
     * @return array{signed: int, lines: list<array<string, mixed>>, cost: float|null, without_price: list<string>}
     */
    public function shopping(Site $site): array
    {
        $wanted = [];
        // One a piece of ground: the newest that stands.
        $programs = SignedProgram::ofSite($site->id)->sortByDesc('id')->unique('area_id');
        foreach ($programs as $program) {
            foreach ($program->spreadParts() as $part) {
                foreach ($part->rates as $rate) {
                    if ($rate['lb_per_acre'] > 0) {
                        $wanted[] = [
                            'area' => $program->area->name,
                            'product' => $rate['product'],
                            'lb' => $rate['lb_per_acre'] * $part->acres(),
                        ];
                    }
                }
            }
        }

        return ['signed' => $programs->count(), ...ShoppingList::of($wanted, $this->shelf->all())];
    }

    /**
     * The same of programs that nobody signed yet, to see beforehand what would be bought.
     *
     * @return array{signed: int, lines: list<array<string, mixed>>, cost: float|null, without_price: list<string>}
     */
    public function wouldBuy(Site $site): array
    {
        $wanted = [];
        foreach ($this->compose->areasOf($site) as $area) {
            foreach (($this->compose)($area, $this->compose->chosen($area))->parts as $part) {
                array_push($wanted, ...array_map(
                    static fn (MeasuredAmount $one): array => [
                        'area' => $area->name,
                        'product' => $one->product->code,
                        'lb' => $one->pounds(),
                    ],
                    $part->amounts,
                ));
            }
        }

        return ['signed' => 0, ...ShoppingList::of($wanted, $this->shelf->all())];
    }
}
