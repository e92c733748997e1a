<?php

declare(strict_types=1);

namespace App\Http\Resources\Prescribe;

use App\Database\State;
use HonestCore\Program\ShelfProduct;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property ShelfProduct $resource */
final class ShelfProductResource extends JsonResource
{
    public function __construct(ShelfProduct $product, private readonly bool $isOwn)
    {
        parent::__construct($product);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $it = $this->resource;

        return [
            ...$it->toRow(),
            'grades' => (object) $it->grades,
            'grade' => $it->grade(),
            'effectiveness' => $it->lime === null ? null : $it->effectiveness(),
            'lb_per_cup' => $it->lbPerCup(),
            'cautions' => $it->cautions(),
            'state' => State::of($it->toRow()),
            'own' => $this->isOwn,
            'ships' => isset(ShelfProduct::shipped()[$it->code]),
        ];
    }
}
