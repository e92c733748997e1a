<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\MethodLibrary;
use HonestCore\Bench\ProtocolBreak;
use HonestCore\Table\RuleTable;
use Illuminate\Http\JsonResponse;

/** The generic methods that ship, for a team to take up as they are or changed; and the form that a definition has. */
final class ListLibrary
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse([
            'methods' => array_map(
                static fn (MethodDefinition $method): array => [
                    'code' => $method->code,
                    'name' => $method->name,
                    'analyte' => $method->analyte,
                    'scale' => $method->scale->kind->value,
                    'source' => $method->source,
                    'definition' => $method->toArray(),
                ],
                array_values(MethodLibrary::all()),
            ),
            'schema' => array_diff_key(RuleTable::named('method-schema'), ['source' => 0]),
            'analytes' => MethodDefinition::measurable(),
            'protocol_breaks' => array_map(
                static fn (ProtocolBreak $break): array => ['code' => $break->code, 'name' => $break->name],
                ProtocolBreak::all(),
            ),
        ]);
    }
}
