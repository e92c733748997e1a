<?php

declare(strict_types=1);

namespace App\Http\Resources\Plans;

use HonestCore\Sampling\Layout;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Layout $resource */
final class LayoutResource extends JsonResource
{
    public function __construct(Layout $layout)
    {
        parent::__construct($layout);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return $this->resource->toRow();
    }
}
