<?php

declare(strict_types=1);

namespace App\Http\Controllers\Session;

use App\Models\User;
use HonestCore\Agronomy\Crop;
use HonestCore\Bench\ProtocolBreak;
use HonestCore\Sampling\FieldSheet;
use HonestCore\Table\RuleTable;
use Illuminate\Http\JsonResponse;

/** The lists that forms choose from. */
final class Choices
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse([
            'uses' => array_map(
                static fn (Crop $crop): array => [
                    'code' => $crop->code,
                    'name' => $crop->name,
                    'low' => $crop->low,
                    'high' => $crop->high,
                    'target' => $crop->target,
                ],
                Crop::all(),
            ),
            'protocol_breaks' => array_map(
                static fn (ProtocolBreak $break): array => ['code' => $break->code, 'name' => $break->name],
                ProtocolBreak::all(),
            ),
            'tests' => array_map(
                static fn (string $code, string $name): array => ['code' => $code, 'name' => $name],
                array_keys(FieldSheet::tests()),
                array_values(FieldSheet::tests()),
            ),
            'pulling' => array_diff_key(RuleTable::named('pulling'), [
                'source' => 0,
                'depth_tolerance_cm' => 0,
                'margin_growth' => 0,
            ]),
            'comparison' => [...array_filter(RuleTable::named('comparison'), is_numeric(...)), ...(User::signedIn()->team->prices ?? [])],
        ]);
    }
}
