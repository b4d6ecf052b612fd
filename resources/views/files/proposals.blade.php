@foreach ($found as $contact)<option value="{{ $contact->name }}">{{ implode(', ', array_filter([$contact->firm, $contact->email])) }}
    </option>@endforeach
