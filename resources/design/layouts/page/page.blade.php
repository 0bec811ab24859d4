@extends('site.page')
