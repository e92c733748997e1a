<?php

declare(strict_types=1);

namespace App\Exceptions;

use Illuminate\Http\JsonResponse;
use PDOException;

/** What a person is told when the disk under the database gives out: nothing half, and what still works. */
final class DiskTrouble
{
    private const WORDS = [
        'readonly database' => 'Nothing can be written on this server now, so nothing was saved; what is there can be read. '.
            'What you typed is still here. Tell whoever runs it.',
        'is full' => 'The disk of this server is full, so nothing was saved; what is there can be read. What you typed is '.
            'still here. Tell whoever runs it.',
        'disk I/O error' => 'The disk of this server does not answer as it should, so nothing was saved. What you typed is '.
            'still here. Tell whoever runs it.',
        'unable to open database' => 'The database of this server cannot be opened. Nothing was saved. Tell whoever runs it.',
        'malformed' => 'The database of this server is damaged. Nothing was saved. Tell whoever runs it: the last backup '.
            'can be taken back.',
        'not a database' => 'The database of this server is damaged. Nothing was saved. Tell whoever runs it: the last '.
            'backup can be taken back.',
    ];

    public static function answer(PDOException $error): ?JsonResponse
    {
        foreach (self::WORDS as $said => $words) {
            if (str_contains($error->getMessage(), $said)) {
                return new JsonResponse(['message' => $words, 'code' => 'disk'], 503);
            }
        }

        return null;
    }
}
