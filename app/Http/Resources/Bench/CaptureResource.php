<?php

declare(strict_types=1);

namespace App\Http\Resources\Bench;

use App\Models\ProbeCapture;
use HonestCore\Statistics\Spread;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property ProbeCapture $resource */
final class CaptureResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $capture = $this->resource;
        $used = $capture->used();

        return [
            'id' => $capture->id,
            'readings' => count($capture->readings),
            'gaps' => $capture->gaps,
            'simulated' => $capture->simulated,
            'used' => count($used),
            'mean' => $used === [] ? null : Spread::mean($used),
            'sd' => $used === [] ? null : Spread::standardDeviation($used),
            'values' => $capture->values(),
        ];
    }
}
