<?php

declare(strict_types=1);

namespace App\Http\Resources\Plans;

use App\Actions\Plans\Schools;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Sampling\School;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property School $resource */
final class SchoolResource extends JsonResource
{
    public function __construct(School $school, private readonly bool $changed)
    {
        parent::__construct($school);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $school = $this->resource;

        return [
            'code' => $school->code,
            'state' => Schools::state($school),
            'name' => $school->name,
            'acres' => $school->acres,
            'cores' => $school->cores,
            'layers' => array_map(static fn (DepthLayer $layer): string => $layer->notation(), $school->layers),
            'pattern' => $school->pattern->value,
            'cell_acres' => $school->cellAcres,
            'why' => $school->why,
            'changed' => $this->changed,
        ];
    }
}
