<x-layout title="Empty" />
