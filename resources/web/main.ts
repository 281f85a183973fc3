import '@fontsource-variable/hanken-grotesk';
import { mount } from 'svelte';
import './tokens.css';
import App from './App.svelte';

const saved = localStorage.getItem('theme');
if (saved === 'dark' || saved === 'light') document.documentElement.dataset.theme = saved;

mount(App, { target: document.getElementById('app')! });
