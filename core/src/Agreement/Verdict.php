<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/** What the evidence says of a claim. */
enum Verdict: string
{
    case Stands = 'stands';
    case Falls = 'falls';
    case Open = 'open';
    case Untested = 'untested';
    case Unable = 'unable';
}
