<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\OpenApi;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;

/** The contract: as a page for people, as OpenAPI for programs. */
final class ContractController
{
    /** The one page; the browser routes from there. */
    public function page(): View
    {
        return view('app');
    }

    public function document(OpenApi $contract): JsonResponse
    {
        return response()->json($contract->document());
    }
}
